import { useStore } from "@nanostores/react";
import {
  heardOf,
  type Inflection,
  LINE_FIGURES,
  pitchesOfVoicing,
  type Position,
  SYSTEMS,
  type Tuning,
  VOICING_KINDS,
  withMode,
} from "@/core/instrument";
import { printChord } from "@/core/chord";
import { SEVEN } from "@/core/scale";
import { RHYTHMS, rockScore, voicingScore } from "@/audio";
import {
  $chord,
  $toSave,
  $playing,
  $positions,
  $selection,
  $settings,
  changeSettings,
  stepPosition,
  toggle,
} from "@/session";
import { Button, Choice, Select, Toggle } from "@/kit/controls";
import {
  chordText,
  FIGURE_TEXT,
  inflectionText,
  homesText,
  modeText,
  movesText,
  handText,
  positionText,
  touchingText,
  RHYTHM_TEXT,
  stretchCaution,
  stretchText,
  systemText,
  typedStrings,
  VOICING_KIND_TEXT,
  voicingText,
} from "@/words";
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
        options={SYSTEMS.map((each) => ({ value: each, text: systemText(each, tuning) }))}
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
 * The nearest way to the selected chord from the one before; on a fiddle the fingers that touch; otherwise how the hand comes
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
          Play this line
        </Button>
      )}
      <span className={styles.says}>
        {shown.hasNoRoom
          ? "This neck is too short for it. Try one octave or another figure."
          : `${shown.notes.length} notes, home to home`}
      </span>
    </>
  );
}

const inflectionKey = ({ string, to }: Inflection) => `${string}/${to}`;

/** Which voicing of which chord, with one note of the mode in it where that is wanted; it is heard and kept from here. */
export function VoicingRow({ voicings, tuning }: { readonly voicings: Voicings; readonly tuning: Tuning }) {
  const chord = useStore($chord);
  const playing = useStore($playing);
  const { found, taken, at, step, share, cancel, kind, ask, inflected, inflect, shown } = voicings;
  const { homeMode } = useStore($selection);
  const save = () => {
    if (taken)
      $toSave.set({
        kind: "voicing",
        title: chordText(inflected?.chord ?? chord),
        words: "",
        chord: printChord(inflected?.chord ?? chord),
        strings: typedStrings(tuning),
        frets: [...(shown ?? taken).frets],
      });
  };
  return (
    <>
      <strong className={styles.chord}>{chordText(inflected?.chord ?? chord)}</strong>
      <Select
        label="How the voicing is built"
        size="small"
        value={kind ?? "any"}
        options={[
          { value: "any", text: "any voicing" },
          ...VOICING_KINDS.map((value) => ({ value, text: VOICING_KIND_TEXT[value] })),
        ]}
        onChange={(value) => ask(VOICING_KINDS.find((each) => each === value))}
      />
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
      {taken && shown && (
        <>
          {voicings.inflections.length > 0 && (
            <Select
              label="Inflection: one note of the mode in the grip"
              size="small"
              value={inflected ? inflectionKey(inflected) : "none"}
              options={[
                { value: "none", text: "plain grip" },
                ...voicings.inflections.map((each) => ({
                  value: inflectionKey(each),
                  text: inflectionText(each),
                })),
              ]}
              onChange={(value) =>
                inflect(voicings.inflections.find((each) => inflectionKey(each) === value))
              }
            />
          )}
          <Button
            aria-pressed={playing === "voicing"}
            onClick={() => toggle("voicing", voicingScore(heardOf(tuning, shown)))}
          >
            Hear it
          </Button>
          {inflected && (
            <Button
              aria-pressed={playing === "rock"}
              onClick={() => toggle("rock", rockScore(heardOf(tuning, taken), heardOf(tuning, shown)))}
            >
              Rock
            </Button>
          )}
          <Button onClick={save}>Save</Button>
          <span className={styles.says}>
            {voicingText(
              shown,
              pitchesOfVoicing(withMode(chord, homeMode), shown).map(({ name }) => name),
            )}
          </span>
        </>
      )}
      {share === undefined && !taken && (
        <span className={styles.says} role="status">
          {kind === undefined
            ? `No four fingers take ${chordText(chord)} on these strings within your stretch. Try fewer tones, another tuning or a wider stretch.`
            : `No ${VOICING_KIND_TEXT[kind]} voicing of ${chordText(chord)} here. Try any voicing.`}
        </span>
      )}
    </>
  );
}
