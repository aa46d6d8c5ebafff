import { mode as modeById } from "@/core/scale";
import { classTable, type PupilScore } from "@/core/training";
import { openFiles, withPart } from "@/session";
import { Button, FileButton, TextField } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { Panel, Saying } from "@/kit/panel";
import { useIncoming } from "@/session/place/useIncoming";
import { useKeys } from "@/session/place/useKeys";
import {
  capital,
  classText,
  CLASS_MIXES_NOTHING,
  CLASS_SAYS,
  mixedUpByText,
  modeText,
  PUPIL_NAME_TAKEN,
  scoreText,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { EAR } from "./exam";
import { withFiles } from "./opened";
import { $shownClass, $shownResult, type ClassResults, type PupilResult } from "./shown-result";
import styles from "./Ear.module.css";

/** Things that a class mixes up that are told of. */
const MAX_MIXED_UP = 5;

/** The results of a class as one table: pupils by modes, and what the class mixes up. */
export function ClassShow({ results }: { readonly results: ClassResults }) {
  const { pupils, said } = results;
  const { modes, rows, together, mixedUp } = classTable(
    pupils.map(({ name, result }) => ({ name, attempts: result.rows })),
  );
  const close = () => $shownClass.set(undefined);
  const set = (next: readonly PupilResult[]) => $shownClass.set({ pupils: next, said: [] });
  useIncoming(EAR, (files) => void withFiles(results, files).then((more) => $shownClass.set(more)));
  useKeys("Ear", [{ key: "Enter", says: "Back to Ear", act: close }]);
  const exportTable = () =>
    void withPart(
      "The export",
      () => import("./class-file"),
      ({ writeClass }) => saveFile("class.csv", writeClass({ modes, rows, together, mixedUp }), "text/csv"),
    );
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <h1 className={styles.question}>{classText(pupils.length, together.all)}</h1>
        <div className={styles.scroll}>
          <table className={styles.table}>
            <caption className="visually-hidden">Pupils by modes: right answers of questions</caption>
            <thead>
              <tr>
                <th scope="col">Pupil</th>
                {modes.map((id) => (
                  <th key={id} scope="col">
                    {capital(modeText(modeById(id)))}
                  </th>
                ))}
                <th scope="col">All</th>
                <th scope="col">Answers</th>
              </tr>
            </thead>
            <tbody>
              {rows.map(({ name, byMode, all }, at) => (
                <tr key={name}>
                  <th scope="row">
                    <NameField pupils={pupils} at={at} onChange={set} />
                  </th>
                  <Scores byMode={byMode} all={all} />
                  <td>
                    <Button
                      kind="quiet"
                      aria-label={`Show the answers of ${name}`}
                      onClick={() => $shownResult.set(pupils[at]?.result)}
                    >
                      Show
                    </Button>
                    <Button
                      kind="quiet"
                      aria-label={`Remove ${name}`}
                      onClick={() => set(pupils.filter((_, nth) => nth !== at))}
                    >
                      Remove
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
            <tfoot>
              <tr>
                <th scope="row">The class</th>
                <Scores byMode={together.byMode} all={together.all} />
                <td />
              </tr>
            </tfoot>
          </table>
        </div>
      </div>
      <Panel
        title="Class"
        acts={
          <>
            <Button kind="main" keyName="Enter" onClick={close}>
              Close
            </Button>
            <Button disabled={pupils.length === 0} onClick={exportTable}>
              Export as CSV
            </Button>
            <FileButton
              label="More result files"
              accept=".csv,text/csv"
              isMany
              onFiles={(files) => void openFiles(files)}
            >
              Add files
            </FileButton>
          </>
        }
      >
        {pupils.length > 0 && mixedUp.length === 0 && <Saying>{CLASS_MIXES_NOTHING}</Saying>}
        {mixedUp.slice(0, MAX_MIXED_UP).map((each) => (
          <Saying key={`${each.right} ${each.given}`}>{mixedUpByText(each)}</Saying>
        ))}
        {said.length > 0 && (
          <div role="status">
            {said.map((each) => (
              <p key={each}>{each}</p>
            ))}
          </div>
        )}
        <Saying>{CLASS_SAYS}</Saying>
      </Panel>
    </div>
  );
}

interface ScoresProps {
  readonly byMode: readonly PupilScore[];
  readonly all: PupilScore;
}

/** Right answers of questions, by mode and in all; a mode that wasn't asked about has none. */
const Scores = ({ byMode, all }: ScoresProps) => (
  <>
    {[...byMode, all].map((score, at) => (
      // A score has no name but its place.
      <td key={at}>{scoreText(score)}</td>
    ))}
  </>
);

interface NameFieldProps {
  readonly pupils: readonly PupilResult[];
  readonly at: number;
  readonly onChange: (pupils: readonly PupilResult[]) => void;
}

/** Whose result it is: from the name of the file until it is set. */
const NameField = ({ pupils, at, onChange }: NameFieldProps) => (
  <TextField
    label={`Name of pupil ${at + 1}`}
    value={pupils[at]?.name ?? ""}
    width={14}
    size="small"
    onCommit={(text) => {
      const name = text.trim().slice(0, 60);
      if (name === "" || pupils.some((each, nth) => nth !== at && each.name === name))
        return PUPIL_NAME_TAKEN;
      onChange(pupils.map((each, nth) => (nth === at ? { ...each, name } : each)));
      return undefined;
    }}
  />
);
