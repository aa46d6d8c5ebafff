import { useStore } from "@nanostores/react";
import { compareModes, findModes, type HomeMode } from "@/core/scale";
import { $playing, setPlace } from "@/session";
import { Button, TextField, HomeField } from "@/kit/controls";
import {
  homeModeText,
  modeText,
  noteText,
  wording,
  ADD_A_MODE,
  modeRefusedText,
  comparedText,
  allShareText,
} from "@/words";
import { compareRows, modesBeside } from "./compare-rows";
import { Ladder } from "./Ladder";
import { MODE_NAMES } from "./modeNames";
import { $heardRow, LADDER } from "./ladder-playing";
import { $derive, MAX_BESIDE, putBeside, swapBeside } from "./route";
import view from "@/shell/frame/View.module.css";
import styles from "./CompareShow.module.css";

interface CompareShowProps {
  readonly homeMode: HomeMode;
  readonly onPlayAll: () => void;
}

/** Two to four modes on one home, only their differences standing out. */
export function CompareShow({ homeMode, onPlayAll }: CompareShowProps) {
  const { beside: chosen } = useStore($derive);
  const playing = useStore($playing);
  const heard = useStore($heardRow);
  const { home, mode } = homeMode;
  const beside = modesBeside(mode, chosen);
  const rows = compareRows(homeMode, chosen);
  const { shared } = compareModes(rows.map((row) => row.mode));

  const add = (text: string) => {
    if (text.trim() === "") return undefined;
    const [found] = findModes(text, home, wording().noteNames);
    if (!found) return modeRefusedText(text);
    const { mode: other } = found.homeMode;
    if (other === mode || beside.includes(other)) return `${modeText(other)} stands there already.`;
    putBeside([...beside, other]);
    return undefined;
  };

  return (
    <>
      <div className={view.sentence}>
        <h1 className="visually-hidden">{`${homeModeText(homeMode)} compared with other modes`}</h1>
        <span>On</span>
        <HomeField label="Home" value={home} onChange={(note) => setPlace({ home: note })} />
        <span>{`compare ${modeText(mode)} with`}</span>
        {beside.map((each) => (
          <Button
            key={each.id}
            aria-label={`Take ${modeText(each)} away`}
            onClick={() => putBeside(beside.filter((other) => other !== each))}
          >
            {`${modeText(each)} ×`}
          </Button>
        ))}
        {beside.length < MAX_BESIDE && (
          <TextField
            label="Another mode to compare"
            value=""
            placeholder="another mode"
            suggestions={MODE_NAMES}
            width={13}
            onCommit={add}
          />
        )}
        <div className={view.right}>
          <Button
            kind="quiet"
            keyName="u"
            aria-pressed={playing === LADDER}
            aria-label="Play them one after another"
            onClick={onPlayAll}
          >
            One after another
          </Button>
        </div>
      </div>
      <div className={styles.rows}>
        <Ladder
          rows={rows}
          selected={homeMode}
          shared={shared}
          heard={heard?.mode}
          alignment="parallel"
          label={`Modes on ${noteText(home)}, from bright to dark`}
          onSelect={(row) =>
            swapBeside(
              row,
              rows.filter((other) => other !== row).map((other) => other.mode),
            )
          }
        />
      </div>
      <ul className={styles.said}>
        {beside.length === 0 && <li>{ADD_A_MODE}</li>}
        {beside.map((other) => (
          <li key={other.id}>{comparedText(homeMode, other)}</li>
        ))}
        {rows.length > 2 && <li>{allShareText(homeMode, rows.length, shared)}</li>}
      </ul>
    </>
  );
}
