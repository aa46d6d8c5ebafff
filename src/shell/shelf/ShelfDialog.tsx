import { useStore } from "@nanostores/react";
import { useState } from "react";
import { printFingering } from "@/core/instrument";
import { $settings, bringInDemo, changeSettings, shelf } from "@/session";
import { SAFE_VOLUME } from "@/audio";
import { type Kept, KEEP_DELETED_DAYS } from "@/storage";
import { Button, FileButton } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import { saveFile } from "@/kit/files";
import { backupProblemText, capital, countText, SOURCE_TEXT } from "@/words";
import { KeptForm } from "./KeepDialog";
import { openKept } from "./open";
import styles from "./Shelf.module.css";

interface ShelfDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const KINDS = [
  ["mode", "Modes"],
  ["progression", "Progressions"],
  ["tune", "Tunes"],
  ["voicing", "Voicings"],
  ["words", "Your words for modes"],
] as const;

/** The Shelf: what was kept, with the user's words; opened, renamed, deleted, brought back, exported and imported. */
export function ShelfDialog({ open, onClose }: ShelfDialogProps) {
  const kept = useStore(shelf.$kept);
  const living = kept.filter(({ deletedAt }) => deletedAt === undefined);
  const deleted = kept.filter(({ deletedAt }) => deletedAt !== undefined);
  return (
    <Dialog
      title="Shelf"
      says="Modes, progressions and tunes that you kept, in this browser only. Export them to a file to take them elsewhere."
      open={open}
      onClose={onClose}
      place="side"
    >
      {living.length === 0 && <EmptyShelf />}
      {KINDS.map(([kind, name]) => {
        const things = living.filter((thing) => thing.kind === kind);
        if (things.length === 0) return null;
        return (
          <section key={kind}>
            <h3 className={styles.kind}>{name}</h3>
            <ul className={styles.list}>
              {things.map((thing) => (
                <KeptRow key={thing.id} thing={thing} onOpen={onClose} />
              ))}
            </ul>
          </section>
        );
      })}
      {deleted.length > 0 && (
        <section>
          <h3 className={styles.kind}>Deleted in the last {KEEP_DELETED_DAYS} days</h3>
          <ul className={styles.list}>
            {deleted.map(({ id, title }) => (
              <li key={id} className={styles.gone}>
                <span>{title}</span>
                <Button kind="quiet" onClick={() => shelf.bringBack(id)} aria-label={`Bring back ${title}`}>
                  Bring back
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <Files />
    </Dialog>
  );
}

function EmptyShelf() {
  return (
    <div className={styles.empty}>
      <p>
        Press Keep beside a mode, a progression or a tune and it will lie here. Or begin with the music for a
        shadow-puppet play: three tunes, two progressions and a mode.
      </p>
      <Button onClick={() => void bringInDemo()}>Bring in the demo</Button>
    </div>
  );
}

/** What a kept thing is, under its title. */
function under(thing: Kept): string {
  if (thing.kind === "mode") return `${thing.home} ${thing.mode.replaceAll("-", " ")}`;
  if (thing.kind === "progression") return thing.chords;
  if (thing.kind === "words") return thing.tune;
  if (thing.kind === "voicing") return `${thing.chord}, ${printFingering(thing.frets)}`;
  return `tune, ${SOURCE_TEXT[thing.source]}`;
}

function KeptRow({ thing, onOpen }: { readonly thing: Kept; readonly onOpen: () => void }) {
  const [isEdited, setEdited] = useState(false);
  if (isEdited) {
    return (
      <li className={styles.row}>
        <KeptForm
          title={thing.title}
          words={thing.words}
          act="Save"
          onDone={(part) => {
            shelf.change(thing.id, part);
            setEdited(false);
          }}
          onCancel={() => setEdited(false)}
        />
      </li>
    );
  }
  return (
    <li className={styles.row}>
      <button
        type="button"
        className={styles.open}
        onClick={() => {
          openKept(thing);
          onOpen();
        }}
      >
        <strong>{thing.title}</strong>
        <small className={styles.under}>{under(thing)}</small>
      </button>
      {thing.words !== "" && <p className={styles.words}>{thing.words}</p>}
      <div className={styles.acts}>
        <Button kind="quiet" onClick={() => setEdited(true)} aria-label={`Rename ${thing.title}`}>
          Rename or reword
        </Button>
        <Button kind="quiet" onClick={() => shelf.remove(thing.id)} aria-label={`Delete ${thing.title}`}>
          Delete
        </Button>
      </div>
    </li>
  );
}

/** Larger files are no Shelf of ours. */
const MOST_BYTES = 64 * 1024 * 1024;

function Files() {
  const [said, setSaid] = useState<readonly string[]>([]);

  const exportAll = async () => {
    const text = await shelf.exportAll($settings.get());
    saveFile(`shade-${new Date().toISOString().slice(0, 10)}.json`, text, "application/json");
  };
  const importAll = async (file: File) => {
    if (file.size > MOST_BYTES) {
      setSaid(["This file is larger than any Shelf. Choose a file that the Shelf exported."]);
      return;
    }
    const { taken, problems, settings } = await shelf.importAll(await file.text());
    if (settings) changeSettings({ ...settings, volume: Math.min(settings.volume, SAFE_VOLUME) });
    const count = `${countText(taken, "thing")} came in; what was here already stays.`;
    setSaid([...(settings ? [capital(count)] : []), ...problems.map(backupProblemText)]);
  };

  return (
    <section className={styles.files}>
      <h3 className={styles.kind}>To and from a file</h3>
      <div className={styles.acts}>
        <Button onClick={() => void exportAll()}>Export all</Button>
        <FileButton
          label="Backup file"
          accept=".json,application/json"
          onFile={(file) => void importAll(file)}
        >
          Import a file
        </FileButton>
      </div>
      <div role="status">
        {said.map((sentence) => (
          <p key={sentence}>{sentence}</p>
        ))}
      </div>
    </section>
  );
}
