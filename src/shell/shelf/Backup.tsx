import { useStore } from "@nanostores/react";
import { useRef, useState } from "react";
import { $imported, type FilePlan, importBy, openFileAs, planOf, SHELF_FILES, undoImport } from "@/session";
import { useIncoming } from "@/session/place/useIncoming";
import { ARRIVALS, type BackupProblem, type ImportChoice, USUAL_CHOICE } from "@/storage";
import { Button, Choice, FileButton, Toggle } from "@/kit/controls";
import {
  ARRIVAL_TEXT,
  backupProblemText,
  importedText,
  problemText,
  BACKUP_TOO_LARGE,
  FILE_UNREADABLE,
  BRINGS_NOTHING,
  figureText,
} from "@/words";
import { saveBackup } from "./save-backup";
import styles from "./Shelf.module.css";

/** Larger files are no Shelf of ours. */
const MAX_BYTES = 256 * 1024 * 1024;

/** How many problems of a file are listed. */
const MAX_PROBLEMS = 5;

/** The Shelf to and from a file: what a file would bring is shown before anything of it is taken. */
export function Backup() {
  const [plan, setPlan] = useState<FilePlan>();
  const [said, setSaid] = useState("");
  const [problems, setProblems] = useState<readonly BackupProblem[]>([]);
  const imported = useStore($imported);

  const look = async (file: File) => {
    setSaid("");
    if (file.size > MAX_BYTES) {
      setProblems([]);
      setSaid(BACKUP_TOO_LARGE);
      return;
    }
    const read = await openFileAs("backup", file);
    if ("stopped" in read) {
      setPlan(undefined);
      setProblems([]);
      setSaid(problemText(read.stopped, ""));
      return;
    }
    const found = await planOf(read.answer);
    setPlan(found.plan);
    setProblems(found.problems);
  };

  const open = (file: File) =>
    void look(file).catch(() => {
      setPlan(undefined);
      setSaid(FILE_UNREADABLE);
    });
  useIncoming(SHELF_FILES, (files) => {
    if (files[0]) open(files[0]);
  });

  return (
    <section className={styles.files}>
      <h3 className={styles.kind}>Backup</h3>
      <div className={styles.acts}>
        <Button onClick={saveBackup}>Export all</Button>
        <FileButton label="Backup file" accept=".json,application/json" onFile={open}>
          Import a file
        </FileButton>
        {imported && (
          <Button
            kind="quiet"
            onClick={() => void undoImport().then(() => setSaid("The import was undone."))}
          >
            Undo import
          </Button>
        )}
      </div>
      {plan && (
        <Preview
          plan={plan}
          onDone={(count, isAll) => {
            setPlan(undefined);
            setProblems([]);
            setSaid(importedText(count, isAll));
          }}
          onCancel={() => {
            setPlan(undefined);
            setProblems([]);
          }}
        />
      )}
      <div role="status">
        {said !== "" && <p>{said}</p>}
        {problems.slice(0, MAX_PROBLEMS).map((problem, at) => (
          <p key={at}>{backupProblemText(problem)}</p>
        ))}
        {problems.length > MAX_PROBLEMS && <p>{`And ${problems.length - MAX_PROBLEMS} more.`}</p>}
      </div>
    </section>
  );
}

interface PreviewProps {
  readonly plan: FilePlan;
  readonly onDone: (count: number, isAll: boolean) => void;
  readonly onCancel: () => void;
}

const ASKED = [
  ["changed-there", "Changed in the file", ["take", "keep"]],
  ["changed-both", "Changed in both", ["both", "take", "keep"]],
  ["deleted-here", "Deleted here", ["take", "keep"]],
] as const;

const WAY_TEXT = { take: "use the file’s", keep: "keep mine", both: "keep both" } as const;

/** What would come in, and what is done where both have something. */
function Preview({ plan, onDone, onCancel }: PreviewProps) {
  const [choice, setChoice] = useState<ImportChoice>(USUAL_CHOICE);
  const [progress, setProgress] = useState<readonly [done: number, of: number]>();
  const calling = useRef<AbortController>(undefined);
  const count = (arrival: (typeof ARRIVALS)[number]) =>
    plan.items.reduce((sum, item) => sum + (item.arrival === arrival ? 1 : 0), 0);
  const counts = ARRIVALS.map((arrival) => [arrival, count(arrival)] as const).filter(([, n]) => n > 0);
  const settings = Object.keys(plan.settings).length;
  const isEmpty =
    counts.length + settings + plan.aside.length + plan.documents.length + plan.sittings.length === 0;

  const take = async () => {
    const controller = new AbortController();
    calling.current = controller;
    setProgress([0, plan.items.length + plan.documents.length + plan.sittings.length]);
    const done = await importBy(plan, choice, {
      onProgress: (n, of) => setProgress([n, of]),
      signal: controller.signal,
    });
    onDone(done, !controller.signal.aborted);
  };

  return (
    <div className={styles.preview} role="group" aria-label="What the file brings">
      <dl className={styles.counts}>
        {counts.map(([arrival, n]) => (
          <div key={arrival}>
            <dt>{ARRIVAL_TEXT[arrival]}</dt>
            <dd>{figureText(n)}</dd>
          </div>
        ))}
        {settings > 0 && (
          <div>
            <dt>settings that differ</dt>
            <dd>{settings}</dd>
          </div>
        )}
        {plan.documents.length > 0 && (
          <div>
            <dt>charts, tunes and sheets, unsaved</dt>
            <dd>{figureText(plan.documents.length)}</dd>
          </div>
        )}
        {plan.sittings.length > 0 && (
          <div>
            <dt>sittings of training and practice</dt>
            <dd>{figureText(plan.sittings.length)}</dd>
          </div>
        )}
        {plan.aside.length > 0 && (
          <div>
            <dt>unreadable, will be set aside</dt>
            <dd>{figureText(plan.aside.length)}</dd>
          </div>
        )}
        {isEmpty && <p>{BRINGS_NOTHING}</p>}
      </dl>
      {ASKED.filter(([arrival]) => count(arrival) > 0).map(([arrival, label, ways]) => (
        <div key={arrival} className={styles.asked}>
          <span>{label}</span>
          <Choice
            label={label}
            size="small"
            value={choice[arrival]}
            options={ways.map((value) => ({ value, text: WAY_TEXT[value] }))}
            onChange={(value) => setChoice({ ...choice, [arrival]: value })}
          />
        </div>
      ))}
      {settings > 0 && (
        <Toggle isOn={choice.settings} onChange={(isOn) => setChoice({ ...choice, settings: isOn })}>
          Import settings too
        </Toggle>
      )}
      {progress ? (
        <div className={styles.acts}>
          <progress value={progress[0]} max={Math.max(1, progress[1])} aria-label="Importing" />
          <Button onClick={() => calling.current?.abort()}>Cancel</Button>
        </div>
      ) : (
        <div className={styles.acts}>
          <Button kind="main" onClick={() => void take()}>
            Import
          </Button>
          <Button onClick={onCancel}>Cancel</Button>
        </div>
      )}
    </div>
  );
}
