import { useStore } from "@nanostores/react";
import {
  enharmonicHome,
  type HomeMode,
  type Neighbour,
  oneNoteAway,
  parentOf,
  relatives,
  type Swap,
} from "@/core/scale";
import { $playing, setHomeMode, setPlace } from "@/state";
import { Button } from "@/ui/controls";
import { Facts, HearAndKeep, Panel, Saying } from "@/ui/panel";
import {
  countSentence,
  homeChordText,
  homeModeText,
  inTitle,
  noteText,
  shortName,
  stepsText,
  sungText,
  vampText,
  whatItIs,
  Words,
} from "@/ui/words";
import styles from "./ModePanel.module.css";

interface ModePanelProps {
  readonly homeMode: HomeMode;
  readonly swap: Swap | undefined;
  readonly onSwap: () => void;
  readonly onVamp: () => void;
  readonly onKeep: () => void;
}

/** The panel of Derive: what the mode is, the count from its parent, its chords and its neighbours. */
export function ModePanel({ homeMode, swap, onSwap, onVamp, onKeep }: ModePanelProps) {
  const { home } = homeMode;
  const playing = useStore($playing);
  return (
    <Panel
      title={homeModeText(homeMode)}
      acts={
        <HearAndKeep
          hear="Hear it"
          swap={swap && { says: `Swap ${noteText(home + swap.from)} / ${noteText(home + swap.to)}`, onSwap }}
          onKeep={onKeep}
        />
      }
    >
      <Saying>{whatItIs(homeMode)}</Saying>
      <Count homeMode={homeMode} />
      <Facts
        rows={[
          ["Steps", stepsText(homeMode)],
          ["Sung", sungText(homeMode)],
          ["Home chord", homeChordText(homeMode)],
          [
            "Shows it best",
            <span key="vamp" className={styles.vamp}>
              <span>
                <Words>{vampText(homeMode)}</Words>
              </span>
              <Button
                kind="quiet"
                keyName="v"
                aria-label={`Hear the vamp ${vampText(homeMode)}`}
                aria-pressed={playing === "vamp"}
                onClick={onVamp}
              >
                Hear
              </Button>
            </span>,
          ],
          ["One note brighter", <Neighbours key="up" homeMode={homeMode} way="brighter" />],
          ["One note darker", <Neighbours key="down" homeMode={homeMode} way="darker" />],
        ]}
      />
    </Panel>
  );
}

/** The count from the parent: its modes in a row, the one in hand dark; each a way to go there. */
function Count({ homeMode }: { readonly homeMode: HomeMode }) {
  const { family, tonic } = parentOf(homeMode);
  const easier = enharmonicHome(homeMode);
  return (
    <div className={styles.count}>
      <p className={styles.counted}>
        <span>
          <Words>{countSentence(homeMode)}</Words>
        </span>
        {easier !== undefined && (
          <button type="button" className={styles.link} onClick={() => setPlace({ home: easier })}>
            <Words>{`Easier from ${noteText(easier)}`}</Words>
          </button>
        )}
      </p>
      <ol className={styles.strip}>
        {relatives(family, tonic).map((each) => (
          <li key={each.mode.id}>
            <button
              type="button"
              className={styles.counting}
              aria-current={each.mode === homeMode.mode ? "true" : undefined}
              aria-label={homeModeText(each)}
              onClick={() => setHomeMode(each)}
            >
              <span>
                <Words>{noteText(each.home)}</Words>
              </span>
              <b>
                <Words>{shortName(each.mode)}</Words>
              </b>
            </button>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** The modes one note away, the first with its change, the others by name. */
function Neighbours({ homeMode, way }: { readonly homeMode: HomeMode; readonly way: "brighter" | "darker" }) {
  const { home, mode } = homeMode;
  const [first, ...others] = oneNoteAway(mode, way);
  if (!first) return "no named mode lies there";
  const change = ({ from, to }: Neighbour) => `${noteText(home + from)} → ${noteText(home + to)}`;
  return (
    <span className={styles.neighbours}>
      <button type="button" className={styles.link} onClick={() => setPlace({ mode: first.mode })}>
        <Words>{`${change(first)} makes ${homeModeText({ home, mode: first.mode })}`}</Words>
      </button>
      {others.map((other) => (
        <button
          key={other.mode.id}
          type="button"
          className={styles.link}
          aria-label={`${change(other)} makes ${homeModeText({ home, mode: other.mode })}`}
          title={change(other)}
          onClick={() => setPlace({ mode: other.mode })}
        >
          <Words>{`or ${inTitle(other.mode.name)}`}</Words>
        </button>
      ))}
    </span>
  );
}
