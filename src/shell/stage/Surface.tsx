import { useStore } from "@nanostores/react";
import { RHYTHMS } from "@/audio";
import {
  $division,
  $isSwapHeard,
  $lineNote,
  $noteInput,
  $playing,
  $settings,
  hearNote,
  NOTE,
  type Selection,
} from "@/session";
import { Keyboard } from "@/kit/keyboard";
import { Neck, viewOf } from "@/kit/neck";
import { Boundary, later, Waiting } from "@/kit/later";
import { degreeText, noteText } from "@/words";
import { useNarrow } from "@/kit/useNarrow";
import { labelOf, nearView, type Shown, wholeOnKeys } from "./shown";
import { useConventions } from "@/session/settings/useConventions";

const LineStaff = later(() => import("@/kit/staff/LineStaff").then(({ LineStaff }) => LineStaff));

interface SurfaceProps {
  readonly surface: "neck" | "keys" | "staff";
  readonly shown: Shown;
  readonly selection: Pick<Selection, "characteristic" | "unknown" | "chordTones" | "targetNotes" | "swap">;
  readonly sounding: readonly number[];
}

const NONE: readonly never[] = [];

/** A note that is pressed is heard; what plays goes on. */
const hearPressed = (midi: number): void => {
  const playing = $playing.get();
  if (playing === undefined || playing === NOTE) hearNote(midi);
};

/** Least width of the neck on a phone, in its own units: the frets under the hand fill it. */
const NARROWEST = 400;

/** What is shown, on a neck, a keyboard or a staff. */
export function Surface({ surface, shown, selection, sounding }: SurfaceProps) {
  const { fromFret, toFret, leftHanded, labels, known, rhythm } = useStore($settings);
  const division = useStore($division);
  const isSwapHeard = useStore($isSwapHeard);
  const lineNote = useStore($lineNote);
  const conventions = useConventions();
  const isNarrow = useNarrow();
  const onStrike = useStore($noteInput) ?? hearPressed;
  const { tuning, title, notes, markers, silent, moves, ways, homeMode, instrument } = shown;
  const { unknown, targetNotes, swap } = selection;
  // While it takes the characteristic note's place, its neighbour is lit.
  const characteristic = isSwapHeard && swap ? [homeMode.home + swap.to] : selection.characteristic;
  // A voicing is nothing but chord tones.
  const chordTones = division === "voicing" ? NONE : selection.chordTones;
  const near = isNarrow ? nearView(shown, leftHanded, Math.max(NARROWEST, window.innerWidth)) : undefined;
  if (surface === "neck" && tuning)
    return (
      <Neck
        title={title}
        view={near ?? viewOf(tuning, fromFret, toFret, leftHanded)}
        markers={markers}
        characteristic={characteristic}
        unknown={unknown}
        chordTones={chordTones}
        targetNotes={targetNotes}
        sounding={sounding}
        silent={silent}
        onStrike={onStrike}
        moves={ways.length > 0 ? ways : known === "reference" ? undefined : moves?.moved}
      />
    );
  if (surface === "staff") {
    const said = notes.map(({ pitch, interval }) => `${noteText(pitch.name)} (${degreeText(interval)})`);
    return (
      <Boundary what="The staff">
        <Waiting fallback={null}>
          <LineStaff
            notes={notes}
            homeMode={homeMode}
            characteristic={characteristic}
            targetNotes={targetNotes}
            sounding={sounding}
            nth={division === "line" ? lineNote : undefined}
            written={instrument}
            strings={tuning && notes.some(({ place }) => place) ? tuning.strings.length : 0}
            each={division === "line" ? 1 / RHYTHMS[rhythm] : 0.5}
            isChord={division === "voicing"}
            label={`${title} on the staff: ${said.join(", ")}.`}
          />
        </Waiting>
      </Boundary>
    );
  }
  // On strings fingers are those of the left hand, which say nothing on keys.
  const shownLabels = tuning && labels === "fingers" ? "notes" : labels;
  return (
    <Keyboard
      title={title}
      notes={(division === "whole" ? wholeOnKeys(homeMode) : notes).map((note) => ({
        ...note,
        label: labelOf(note, homeMode, shownLabels, conventions),
      }))}
      characteristic={characteristic}
      unknown={unknown}
      chordTones={chordTones}
      targetNotes={targetNotes}
      sounding={sounding}
      onStrike={onStrike}
    />
  );
}
