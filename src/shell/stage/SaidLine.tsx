import { useStore } from "@nanostores/react";
import { pitchesOfVoicing, type Position, type Tuning, withMode } from "@/core/instrument";
import {
  $chord,
  $division,
  $isSwapHeard,
  $movedOctaves,
  $isSwapped,
  $playing,
  $searched,
  $selection,
  $settings,
  $sound,
  $tempo,
  $tuning,
  $voicingKind,
  $voicings,
  changeSettings,
  MAIN,
  swapLive,
} from "@/session";
import { Toggle } from "@/kit/controls";
import {
  heldBackText,
  homesText,
  lineText,
  movesText,
  NO_ROOM_FOR_LINE,
  NO_ROOM_FOR_POSITION,
  noSoundText,
  noVoicingText,
  stretchCaution,
  stretchText,
  swapLiveText,
  touchingText,
  voicingText,
  movedOctavesText,
} from "@/words";
import type { Shown } from "./shown";
import styles from "./Stage.module.css";

/** What there is to say about what is shown, in a line, and what can be changed while it plays. */
export function SaidLine({ shown }: { readonly shown: Shown }) {
  const sound = useStore($sound);
  if (sound.at === "unavailable" || sound.at === "held")
    return (
      <p className={styles.trouble} role="alert">
        {sound.at === "held" ? heldBackText : noSoundText(sound.reason)}
      </p>
    );
  return (
    <div className={styles.line}>
      <Said shown={shown} />
      <WhilePlaying />
    </div>
  );
}

/** A line that is cut where there is no more room; whole under the pointer and for those who hear it. */
const Cut = ({ text }: { readonly text: string }) => (
  <span className={styles.says} title={text}>
    {text}
  </span>
);

function Said({ shown }: { readonly shown: Shown }) {
  const division = useStore($division);
  const tuning = useStore($tuning);
  const { position } = shown;
  if (division === "position" && tuning)
    return position ? (
      <>
        <Cut text={whereText(shown, position, tuning)} />
        <Stretch position={position} />
      </>
    ) : (
      <span role="status">{NO_ROOM_FOR_POSITION}</span>
    );
  if (division === "line")
    return <Cut text={shown.hasNoRoom ? NO_ROOM_FOR_LINE : lineText(shown.notes.length)} />;
  if (division === "voicing" && tuning) return <SaidVoicing />;
  return <span className={styles.says} />;
}

/**
 * The nearest way to the selected chord from the one before; on a fiddle the fingers that touch; otherwise how the hand comes
 * here from a mode that is known, or, where nothing is moved, where home is.
 */
function whereText({ moves, ways, homeMode }: Shown, { notes }: Position, tuning: Tuning): string {
  if (ways.length > 0) return movesText({ moved: ways, dropped: [], added: [] }, homeMode.home, tuning);
  if (tuning.hand === 7) return touchingText(notes);
  const said = moves ? movesText(moves, homeMode.home, tuning) : "";
  return said === "" ? homesText(notes, tuning) : said;
}

/** A caution where the hand opens too wide, with a fingering that shifts instead where there is one. */
function Stretch({ position }: { readonly position: Position }) {
  const { stretch, easier } = useStore($settings);
  if (position.stretchMm <= stretch) return null;
  return (
    <span className={styles.caution} role="note" title={stretchCaution(position, stretch)}>
      <span>{stretchText(position, stretch, easier)}</span>
      {position.easier && (
        <Toggle isOn={easier} onChange={(isOn) => changeSettings({ easier: isOn })}>
          shift
        </Toggle>
      )}
    </span>
  );
}

function SaidVoicing() {
  const selected = useStore($chord);
  const voicings = useStore($voicings);
  const kind = useStore($voicingKind);
  const share = useStore($searched);
  const { homeMode } = useStore($selection);
  if (share !== undefined || !voicings) return <span className={styles.says} />;
  const { chord, shown } = voicings;
  if (!shown)
    return (
      <span className={styles.says} role="status">
        {noVoicingText(selected, kind)}
      </span>
    );
  const names = pitchesOfVoicing(withMode(chord, homeMode), shown).map(({ name }) => name);
  return <Cut text={voicingText(shown, names)} />;
}

/** While what the stage shows is heard: the swap of the characteristic note, and the tempo as far as it has risen. */
function WhilePlaying() {
  const { swap, homeMode } = useStore($selection);
  const settings = useStore($settings);
  const tempo = useStore($tempo);
  const playing = useStore($playing);
  const isSwapped = useStore($isSwapped);
  const isHeard = useStore($isSwapHeard);
  const moved = useStore($movedOctaves);
  return (
    <span className={styles.while}>
      {playing === MAIN && swap && (
        <Toggle isOn={isSwapped} onChange={swapLive}>
          {swapLiveText(homeMode.home, swap, isSwapped, isHeard)}
        </Toggle>
      )}
      {playing !== undefined && moved !== 0 && <span>{movedOctavesText(moved)}</span>}
      {tempo !== settings.tempo && <span>{`now ${tempo} bpm`}</span>}
    </span>
  );
}
