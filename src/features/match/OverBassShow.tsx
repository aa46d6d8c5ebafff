import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import type { BassColour, Chord, ShapePlace } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import { brightness } from "@/core/scale";
import { overBassScore } from "@/audio";
import { $placeMode, $playing, setPlace, toggle } from "@/session";
import { Button, HomeField } from "@/kit/controls";
import { HeldPanel } from "@/shell/held";
import { useKeys } from "@/session/useKeys";
import { Panel, Saying } from "@/kit/panel";
import { OneShape } from "@/shell/shape";
import { shadeOf } from "@/kit/shade";
import { chordText, homeModeText, modeText, noteText, notesText } from "@/words";
import { $colours, $heardColour, overBass, WALK } from "./selection";
import view from "@/shell/frame/View.module.css";
import styles from "./OverBassShow.module.css";

interface OverBassShowProps {
  readonly tabs: ReactNode;
}

/** One chord shape over a held bass: all twelve places, and the seven colours in a row. */
export function OverBassShow({ tabs }: OverBassShowProps) {
  const homeMode = useStore($placeMode);
  const { home, mode } = homeMode;
  const playing = useStore($playing);
  const colours = useStore($colours);
  const held = useStore(overBass.$held);
  const heard = useStore($heardColour);

  const walk = () =>
    toggle(
      WALK,
      overBassScore(
        home,
        colours.map(({ place }) => place && asSlash(place, home)),
      ),
    );
  useKeys("Over one bass", [{ key: "r", says: "Play the seven colours in a row", act: walk }]);

  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">{`One shape over ${noteText(home)}`}</h1>
          <span>One shape over the bass</span>
          <HomeField label="Bass" value={home} onChange={(next) => setPlace({ home: next })} />
        </div>
        <div className={styles.shape} role="region" aria-label="Twelve places of the shape">
          <OneShape
            homeMode={homeMode}
            held={held}
            onHold={overBass.hold}
            onMode={(next) => setPlace({ mode: next })}
          />
        </div>
      </div>
      {held ? (
        <HeldPanel homeMode={homeMode} held={held} onLetGo={overBass.letGo} />
      ) : (
        <Panel
          title={`${noteText(home)} in seven colours`}
          acts={
            <Button kind="main" keyName="r" aria-pressed={playing === WALK} onClick={walk}>
              Play them in a row
            </Button>
          }
        >
          <Saying>
            {`The bass stays on ${noteText(home)}; the shape walks over it, and each place says another mode of it, from light to dark.`}
          </Saying>
          <ol className={styles.colours}>
            {colours.map((colour) => (
              <Colour
                key={colour.homeMode.mode.id}
                colour={colour}
                isHeard={colour === heard}
                isHere={colour.homeMode.mode === mode}
                onChoose={() => setPlace({ mode: colour.homeMode.mode })}
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

interface ColourProps {
  readonly colour: BassColour;
  readonly isHeard: boolean;
  readonly isHere: boolean;
  readonly onChoose: () => void;
}

/** One of the seven: its mode in its shade, where the shape goes, what it makes with the bass. */
function Colour({ colour: { homeMode, place }, isHeard, isHere, onChoose }: ColourProps) {
  const { mode } = homeMode;
  return (
    <li>
      <button
        type="button"
        className={styles.colour}
        data-shade={shadeOf(brightness(mode.intervals))}
        data-heard={isHeard || undefined}
        aria-pressed={isHere}
        aria-label={`${homeModeText(homeMode)}, ${place ? chordText(place.name) : "in no place"}`}
        onClick={onChoose}
      >
        <b>{modeText(mode)}</b>
        <span>{place ? chordText(asSlash(place, homeMode.home)) : "in no place"}</span>
        <span>{place && hasThird(place) ? chordText(place.name) : ""}</span>
        <small>{place ? notesText(place.tones) : ""}</small>
      </button>
    </li>
  );
}
