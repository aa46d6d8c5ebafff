import { useStore } from "@nanostores/react";
import { $bindings } from "@/session";
import { Dialog } from "@/kit/dialog";
import styles from "./KeysDialog.module.css";

interface KeysDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const NAMES: Readonly<Record<string, string>> = {
  " ": "space",
  Escape: "esc",
  ArrowUp: "↑",
  ArrowDown: "↓",
  ArrowLeft: "←",
  ArrowRight: "→",
  "Ctrl+z": "Ctrl+Z",
  "Ctrl+Shift+z": "Ctrl+Shift+Z",
};

/** Lists the keys of what is in front. */
export function KeysDialog({ open, onClose }: KeysDialogProps) {
  const bindings = useStore($bindings);
  return (
    <Dialog
      title="Keys"
      says="For the view in front, while no field is being typed in."
      open={open}
      onClose={onClose}
    >
      {[...bindings].map(([part, keys]) => (
        <section key={part}>
          <h3 className={styles.part}>{part}</h3>
          <dl className={styles.list}>
            {keys.map(({ key, says }) => (
              <div key={key} className={styles.row}>
                <dt>
                  <kbd>{NAMES[key] ?? key}</kbd>
                </dt>
                <dd>{says}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </Dialog>
  );
}
