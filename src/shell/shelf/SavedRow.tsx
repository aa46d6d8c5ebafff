import { useDraggable } from "@dnd-kit/core";
import { useStore } from "@nanostores/react";
import { format } from "date-fns";
import { useState } from "react";
import { openSaved, shelf } from "@/session";
import { earlierStates, type Saved } from "@/storage";
import { Button } from "@/kit/controls";
import { earlierText, inFolderText } from "@/words";
import { SavedForm } from "./SavedForm";
import styles from "./Shelf.module.css";

interface SavedRowProps {
  readonly thing: Saved;
  /** What it is, under its title. */
  readonly line: string;
  /** The thing as it was when the user began to reword it. */
  readonly edited: Saved | undefined;
  readonly onEdit: (thing: Saved | undefined) => void;
  readonly onOpen: () => void;
  /** Whether it is among those that are chosen; undefined while none are. */
  readonly isChosen: boolean | undefined;
  readonly onChoose: () => void;
}

/** A saved thing on the Shelf: opened, moved by its handle, reworded, deleted, put back into a state that it was in. */
export function SavedRow({ thing, line, edited, onEdit, onOpen, isChosen, onChoose }: SavedRowProps) {
  const isUnsaved = useStore(shelf.$unsaved).has(thing.id);
  const { setNodeRef, listeners } = useDraggable({ id: thing.id, data: { title: thing.title } });
  const [showsEarlier, setShowsEarlier] = useState(false);
  if (edited) {
    return (
      <li className={styles.row}>
        <SavedForm
          title={edited.title}
          words={edited.words}
          tags={edited.tags}
          folder={edited.folder}
          act="Save"
          onDone={(part) => {
            shelf.change(edited, part);
            onEdit(undefined);
          }}
          onCancel={() => onEdit(undefined)}
        />
      </li>
    );
  }
  return (
    <li className={styles.row}>
      {isChosen !== undefined && (
        <label className={styles.choose}>
          <input type="checkbox" checked={isChosen} onChange={onChoose} />
          <span>{`Choose ${thing.title}`}</span>
        </label>
      )}
      <span className={styles.line}>
        <span
          ref={setNodeRef}
          className={styles.handle}
          {...listeners}
          aria-hidden="true"
          title="Drag to a folder"
        >
          ⠿
        </span>
        <button
          type="button"
          className={styles.open}
          onClick={() => {
            openSaved(thing);
            onOpen();
          }}
        >
          <strong>{thing.title}</strong>
          <small className={styles.under}>{line}</small>
        </button>
      </span>
      {isUnsaved && <small className={styles.unsaved}>Saving…</small>}
      {thing.words !== "" && <p className={styles.words}>{thing.words}</p>}
      {(thing.folder !== undefined || (thing.tags?.length ?? 0) > 0) && (
        <p className={styles.tags}>
          {[...(thing.folder === undefined ? [] : [inFolderText(thing.folder)]), ...(thing.tags ?? [])].join(
            " · ",
          )}
        </p>
      )}
      <div className={styles.acts}>
        <Button kind="quiet" onClick={() => onEdit(thing)} aria-label={`Rename ${thing.title}`}>
          Rename or reword
        </Button>
        {(thing.earlier?.length ?? 0) > 0 && (
          <Button
            kind="quiet"
            aria-expanded={showsEarlier}
            onClick={() => setShowsEarlier(!showsEarlier)}
            aria-label={`History of ${thing.title}`}
          >
            History
          </Button>
        )}
        <Button kind="quiet" onClick={() => shelf.remove(thing.id)} aria-label={`Delete ${thing.title}`}>
          Delete
        </Button>
      </div>
      {showsEarlier && <EarlierStates thing={thing} />}
    </li>
  );
}

/** What a thing was before, the latest first; any of them can be put back. */
function EarlierStates({ thing }: { readonly thing: Saved }) {
  const states = earlierStates(thing);
  return (
    <ol className={styles.earlier} aria-label={`History of ${thing.title}`}>
      {states.map((state, at) => (
        // Two states may have been made in one moment.
        <li key={`${state.changedAt} ${states.length - at}`}>
          <span>{`${format(new Date(state.changedAt), "d MMM yyyy, HH:mm")}: ${earlierText(state, states[at - 1] ?? thing)}`}</span>
          <Button kind="quiet" onClick={() => shelf.putBack(state)}>
            Put back
          </Button>
        </li>
      ))}
    </ol>
  );
}
