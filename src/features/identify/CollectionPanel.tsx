import { brightness } from "@/core/scale";
import { Button } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { Facts, Panel } from "@/kit/panel";
import { shadeOf } from "@/kit/shade";
import {
  capital,
  collectionText,
  countText,
  figureText,
  modeText,
  problemText,
  TABLE_UNSAVED,
} from "@/words";
import { cancelCollection, closeCollection } from "./collection";
import { type Collection } from "./collection-rows";
import { type Row } from "./collection-rows";
import styles from "./CollectionShow.module.css";
import { countByMode, passes, resultsCsv, resultsJson } from "./results";

interface CollectionPanelProps {
  readonly collection: Collection;
  readonly shown: readonly Row[];
  readonly isReading: boolean;
}

/** The panel of a collection: how far it has come, how many tunes are in each mode, and the results as a file. */
export function CollectionPanel({ collection, shown, isReading }: CollectionPanelProps) {
  const { rows, problems } = collection;
  const modes = countByMode(shown);
  const most = modes[0]?.count ?? 1;
  const differing = shown.filter((row) => passes(row, { only: "key" })).length;
  const declared = shown.filter((row) => row.declared).length;
  const open = shown.filter((row) => passes(row, { only: "undecided" })).length;
  return (
    <Panel
      title={rows.length === 0 ? "Opening files" : capital(countText(shown.length, "tune"))}
      acts={
        <>
          {isReading ? (
            <Button kind="main" onClick={cancelCollection}>
              Cancel
            </Button>
          ) : (
            <Button onClick={closeCollection}>Close</Button>
          )}
          <Button
            disabled={shown.length === 0}
            onClick={() => saveFile("modes.csv", resultsCsv(shown), "text/csv")}
          >
            Export CSV
          </Button>
          <Button
            disabled={shown.length === 0}
            onClick={() => saveFile("modes.json", resultsJson(shown), "application/json")}
          >
            Export JSON
          </Button>
        </>
      }
    >
      <p role="status">{collectionText(collection)}</p>
      {collection.isSaved === false && <p>{TABLE_UNSAVED}</p>}
      {isReading && (
        <progress
          className={styles.progress}
          max={collection.of}
          value={collection.done}
          aria-label="Bytes read"
        />
      )}
      <ul className={styles.modes} aria-label="Tunes in each mode">
        {modes.map(({ mode, count }) => (
          <li key={mode.id} className={styles.bar}>
            <span>{modeText(mode)}</span>
            <span
              className={styles.fill}
              data-shade={shadeOf(brightness(mode.intervals))}
              style={{ width: `${(count / most) * 100}%` }}
            />
            <span>{figureText(count)}</span>
          </li>
        ))}
      </ul>
      <Facts
        rows={[
          [
            "Key field",
            declared === 0
              ? "none has one"
              : differing === 0
                ? `of ${countText(declared, "tune")}, as heard`
                : `says otherwise of ${countText(differing, "tune")}`,
          ],
          ["Undecided", open === 0 ? "in none" : `in ${countText(open, "tune")}`],
        ]}
      />
      {problems.length > 0 && (
        <ul className={styles.problems} aria-label="Files that were not read">
          {problems.slice(0, MAX_PROBLEMS).map((problem, at) => (
            <li key={at}>{problemText(problem, "")}</li>
          ))}
          {problems.length > MAX_PROBLEMS && <li>and {problems.length - MAX_PROBLEMS} more files.</li>}
        </ul>
      )}
    </Panel>
  );
}

const MAX_PROBLEMS = 6;
