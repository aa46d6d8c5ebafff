import { useStore } from "@nanostores/react";
import { useState } from "react";
import { bringBack, type OpenDocument, type ToUndo } from "@/session";
import { Button } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import { whenText, DOCUMENT_UNREADABLE, recentSaysText } from "@/words";
import styles from "./DocumentTools.module.css";

interface DocumentToolsProps<T> {
  readonly document: OpenDocument<T>;
  /** What one of them is: "chart", "tune". */
  readonly name: string;
}

/** Undo, redo, and the documents that were open before: none is lost by opening another. */
export function DocumentTools<T>({ document, name }: DocumentToolsProps<T>) {
  const recent = useStore(document.$recent);
  const [isOpen, setOpen] = useState(false);
  const [said, setSaid] = useState("");
  const open = async (id: string) => {
    if (await bringBack(document, id)) setOpen(false);
    else setSaid(DOCUMENT_UNREADABLE);
  };
  return (
    <span className={styles.tools}>
      <UndoTools of={document} />
      {recent.length > 0 && (
        <Button kind="quiet" aria-haspopup="dialog" onClick={() => setOpen(true)}>
          Recent
        </Button>
      )}
      <Dialog
        title="Recent"
        says={recentSaysText(name)}
        open={isOpen}
        onClose={() => {
          setSaid("");
          setOpen(false);
        }}
        place="side"
      >
        {said !== "" && <p role="alert">{said}</p>}
        <ul className={styles.list}>
          {recent.map(({ id, title, changedAt }) => (
            <li key={id} className={styles.row}>
              <button type="button" className={styles.open} onClick={() => void open(id)}>
                <strong>{title === "" ? `Empty ${name}` : title}</strong>
                <small>{whenText(changedAt)}</small>
              </button>
            </li>
          ))}
        </ul>
      </Dialog>
    </span>
  );
}

/** Undo and redo. */
export function UndoTools({ of: { $steps, undo, redo } }: { readonly of: ToUndo }) {
  const steps = useStore($steps);
  return (
    <span className={styles.tools}>
      <Button kind="quiet" disabled={steps.undo === 0} title="Ctrl+Z" onClick={undo}>
        Undo
      </Button>
      <Button kind="quiet" disabled={steps.redo === 0} title="Shift+Ctrl+Z" onClick={redo}>
        Redo
      </Button>
    </span>
  );
}
