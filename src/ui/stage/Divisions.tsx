import { useStore } from "@nanostores/react";
import {
  heardOf,
  LINE_FIGURES,
  pitchesOfVoicing,
  type Position,
  SYSTEMS,
  type Tuning,
} from "@/core/instrument";
import { printChord } from "@/core/chord";
import { SEVEN } from "@/core/scale";
import { RHYTHMS, voicingScore } from "@/sound";
import {
  $chord,
  $keeping,
  $playing,
  $positions,
  $settings,
  changeSettings,
  stepPosition,
  toggle,
} from "@/state";
import { Button, Choice, Select, Toggle } from "@/ui/controls";
import {
  chordText,
  FIGURE_TEXT,
  homesText,
  modeText,
  movesText,
  handText,
  positionText,
  touchingText,
  RHYTHM_TEXT,
  stretchCaution,
  stretchText,
  SYSTEM_TEXT,
  typedStrings,
  voicingText,
} from "@/ui/words";
import type { Shown } from "./shown";
import styles from "./Stage.module.css";
import type { Voicings } from "./useVoicings";

const listed = <T extends string>(values: readonly T[], text: Readonly<Record<T, string>>) =>
  values.map((value) => ({ value, text: text[value] }));

/** Which position: the way the neck is divided, where the hand is, how it comes there, how wide it opens. */
export function PositionRow({ shown, tuning }: { readonly shown: Shown; readonly tuning: Tuning }) {
  const { system, known, easier, stretch } = useStore($settings);
  const all = useStore($positions);
  const { position } = shown;
  return (
    <>
      <Select
        label="How the neck is divided"
        size="small"
        value={system}
        options={listed(SYSTEMS, SYSTEM_TEXT)}
        onChange={(value) => changeSettings({ system: value })}
      />
      {position ? (
        <Steps position={position} all={all} tuning={tuning} />
      ) : (
        <span role="status">No room for this on the neck. Try another way to divide it, or more frets.</span>
      )}
      {position && (
        <>
          <Select
            label="The mode that is known"
            size="small"
            value={known}
            options={[
              { value: "reference", text: "from its reference" },
              ...SEVEN.map((mode) => ({ value: mode.id, text: `from ${modeText(mode)}` })),
              { value: "none", text: "where home is" },
            ]}
            onChange={(value) => changeSettings({ known: value })}
          />
          <Cut text={whereText(shown, position, tuning)} />
          {position.stretchMm > stretch && (
            <span className={styles.caution} role="note" title={stretchCaution(position, stretch)}>
              <span>{stretchText(position, stretch, easier)}</span>
              {position.easier && (
                <Toggle isOn={easier} onChange={(isOn) => changeSettings({ easier: isOn })}>
                  shift
                </Toggle>
              )}
            </span>
          )}
        </>
      )}
    </>
  );
}

/**
 * The nearest way to the chord in hand from the one before; on a fiddle the fingers that touch; otherwise how the hand comes
 * here from a mode that is known, or, where nothing is moved, where home is.
 */
function whereText({ moves, ways, homeMode }: Shown, { notes }: Position, tuning: Tuning): string {
  if (ways.length > 0) return movesText({ moved: ways, dropped: [], added: [] }, homeMode.home, tuning);
  if (tuning.hand === 7) return touchingText(notes);
  const said = moves ? movesText(moves, homeMode.home, tuning) : "";
  return said === "" ? homesText(notes, tuning) : said;
}

/** A line that is cut where there is no more room; whole under the pointer and for those who hear it. */
const Cut = ({ text }: { readonly text: string }) => (
  <span className={styles.says} title={text}>
    {text}
  </span>
);

function Steps(props: {
  readonly position: Position;
  readonly all: readonly Position[];
  readonly tuning: Tuning;
}) {
  const { position, all, tuning } = props;
  return (
    <span className={styles.steps}>
      <Button
        kind="quiet"
        aria-label="The position below"
        disabled={position === all[0]}
        onClick={() => stepPosition(-1)}
      >
        ‹
      </Button>
      <output className={styles.fret}>
        {handText(position, tuning)}, {positionText(position)}
      </output>
      <Button
        kind="quiet"
        aria-label="The position above"
        disabled={position === all.at(-1)}
        onClick={() => stepPosition(1)}
      >
        ›
      </Button>
    </span>
  );
}

/** Which line: its figure, how far it goes, how many notes to the beat. */
export function LineRow({ shown }: { readonly shown: Shown }) {
  const { figure, octaves, rhythm, texture } = useStore($settings);
  const playing = useStore($playing);
  return (
    <>
      <Select
        label="Figure of the line"
        size="small"
        value={figure}
        options={listed(LINE_FIGURES, FIGURE_TEXT)}
        onChange={(value) => changeSettings({ figure: value })}
      />
      <Choice
        label="Octaves"
        size="small"
        value={String(octaves)}
        options={[
          { value: "1", text: "one octave" },
          { value: "2", text: "two" },
        ]}
        onChange={(value) => changeSettings({ octaves: value === "2" ? 2 : 1 })}
      />
      <Select
        label="Notes to the beat"
        size="small"
        value={rhythm}
        options={listed(Object.keys(RHYTHMS) as (keyof typeof RHYTHMS)[], RHYTHM_TEXT)}
        onChange={(value) => changeSettings({ rhythm: value })}
      />
      {texture !== "line" && playing === undefined && !shown.hasNoRoom && (
        <Button kind="quiet" onClick={() => changeSettings({ texture: "line" })}>
          Let Play play it
        </Button>
      )}
      <span className={styles.says}>
        {shown.hasNoRoom
          ? "This neck is too short for it. One octave, or another figure, would do."
          : `${shown.notes.length} notes, home to home`}
      </span>
    </>
  );
}

/** Which voicing of which chord; it is heard and kept from here. */
export function VoicingRow({ voicings, tuning }: { readonly voicings: Voicings; readonly tuning: Tuning }) {
  const chord = useStore($chord);
  const playing = useStore($playing);
  const { found, taken, at, step, share, cancel } = voicings;
  const keep = () => {
    if (taken)
      $keeping.set({
        kind: "voicing",
        title: chordText(chord),
        words: "",
        chord: printChord(chord),
        strings: typedStrings(tuning),
        frets: [...taken.frets],
      });
  };
  return (
    <>
      <strong className={styles.chord}>{chordText(chord)}</strong>
      {share !== undefined && (
        <span className={styles.steps} role="status">
          <progress value={share} max={1} aria-label="How far the search has come" />
          <Button kind="quiet" onClick={cancel}>
            Cancel
          </Button>
        </span>
      )}
      {share === undefined && taken && (
        <span className={styles.steps}>
          <Button kind="quiet" aria-label="The easier voicing" disabled={at === 0} onClick={() => step(-1)}>
            ‹
          </Button>
          <output className={styles.fret}>
            {at + 1} of {found.length}
          </output>
          <Button
            kind="quiet"
            aria-label="The next voicing"
            disabled={at === found.length - 1}
            onClick={() => step(1)}
          >
            ›
          </Button>
        </span>
      )}
      {taken && (
        <>
          <Button
            aria-pressed={playing === "voicing"}
            onClick={() => toggle("voicing", voicingScore(heardOf(tuning, taken)))}
          >
            Hear it
          </Button>
          <Button onClick={keep}>Keep</Button>
          <span className={styles.says}>
            {voicingText(
              taken,
              pitchesOfVoicing(chord, taken).map(({ name }) => name),
            )}
          </span>
        </>
      )}
      {share === undefined && !taken && (
        <span className={styles.says} role="status">
          No four fingers take {chordText(chord)} on these strings within your stretch. Fewer tones, another
          tuning or a wider stretch would do.
        </span>
      )}
    </>
  );
}
