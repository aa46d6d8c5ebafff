import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import type { BassMode, Chord, ShapePlace } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import { brightness } from "@/core/scale";
import { overBassScore } from "@/audio";
import { $placeMode, $playing, setPlace, toggle } from "@/session";
import { Button, HomeField } from "@/kit/controls";
import { SelectedPanel } from "@/shell/selected";
import { useKeys } from "@/session/place/useKeys";
import { Panel, Saying } from "@/kit/panel";
import { OneShape } from "@/shell/shape";
import { shadeOf } from "@/kit/shade";
import { chordText, homeModeText, modeText, noteText, notesText, bassStaysText } from "@/words";
import { $bassModes, $heardMode, overBass, WALK } from "./selection";
import view from "@/shell/frame/View.module.css";
import styles from "./OverBassShow.module.css";

interface OverBassShowProps {
  readonly tabs: ReactNode;
}

/** One chord shape over a held bass: all twelve places, and the seven modes in a row. */
export function OverBassShow({ tabs }: OverBassShowProps) {
  const homeMode = useStore($placeMode);
  const { home, mode } = homeMode;
  const playing = useStore($playing);
  const bassModes = useStore($bassModes);
  const selected = useStore(overBass.$selectedChords);
  const heard = useStore($heardMode);

  const walk = () =>
    toggle(
      WALK,
      overBassScore(
        home,
        bassModes.map(({ place }) => place && asSlash(place, home)),
      ),
    );
  useKeys("Over one bass", [{ key: "r", says: "Play the seven modes in a row", act: walk }]);

  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">{`Slash chords over ${noteText(home)}`}</h1>
          <span>Slash chords over the bass</span>
          <HomeField label="Bass" value={home} onChange={(next) => setPlace({ home: next })} />
        </div>
        <div className={styles.shape} role="region" aria-label="Twelve places of the shape">
          <OneShape
            homeMode={homeMode}
            selected={selected}
            onSelect={overBass.select}
            onMode={(next) => setPlace({ mode: next })}
          />
        </div>
      </div>
      {selected ? (
        <SelectedPanel homeMode={homeMode} selected={selected} onDeselect={overBass.deselect} />
      ) : (
        <Panel
          title={`${noteText(home)} in seven modes`}
          acts={
            <Button kind="main" keyName="r" aria-pressed={playing === WALK} onClick={walk}>
              Play them in a row
            </Button>
          }
        >
          <Saying>{bassStaysText(home)}</Saying>
          <ol className={styles.bassModes}>
            {bassModes.map((each) => (
              <BassModeRow
                key={each.homeMode.mode.id}
                bassMode={each}
                isHeard={each === heard}
                isHere={each.homeMode.mode === mode}
                onChoose={() => setPlace({ mode: each.homeMode.mode })}
              />
            ))}
          </ol>
        </Panel>
      )}
    </div>
  );
}

const asSlash = ({ root, tones }: ShapePlace, bass: Fifths): Chord => ({
  root,
  tones: tones.map((tone) => tone - root),
  optional: [],
  ...(soundOf(root) === soundOf(bass) ? {} : { bass }),
});

/** A name without a third on the bass says less than the shape over it. */
const hasThird = ({ name, root }: ShapePlace) =>
  soundOf(name.root) !== soundOf(root) && [4, -3].some((third) => name.tones.includes(third));

interface BassModeProps {
  readonly bassMode: BassMode;
  readonly isHeard: boolean;
  readonly isHere: boolean;
  readonly onChoose: () => void;
}

/** One of the seven: its mode in its shade, where the shape goes, what it makes with the bass. */
function BassModeRow({ bassMode: { homeMode, place }, isHeard, isHere, onChoose }: BassModeProps) {
  const { mode } = homeMode;
  return (
    <li>
      <button
        type="button"
        className={styles.mode}
        data-shade={shadeOf(brightness(mode.intervals))}
        data-heard={isHeard || undefined}
        aria-pressed={isHere}
        aria-label={`${homeModeText(homeMode)}, ${place ? chordText(place.name) : "nowhere"}`}
        onClick={onChoose}
      >
        <b>{modeText(mode)}</b>
        <span>{place ? chordText(asSlash(place, homeMode.home)) : "nowhere"}</span>
        <span>{place && hasThird(place) ? chordText(place.name) : ""}</span>
        <small>{place ? notesText(place.tones) : ""}</small>
      </button>
    </li>
  );
}
