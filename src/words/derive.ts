import { type Fifths, halfSteps, soundOf } from "@/core/pitch";
import { diatonicChords, fullChord, fullChordSuffix } from "@/core/chord";
import {
  familyOf,
  type HomeMode,
  type Mode,
  nearestNamed,
  notesOf,
  parentOf,
  period,
  relatives,
  stepsOf,
  syllable,
  differenceFrom,
  holds,
  type Neighbour,
  type PitchClassSet,
} from "@/core/scale";
import {
  capital,
  chordText,
  countText,
  degreeText,
  familyText,
  homeModeText,
  intervalText,
  listText,
  modeText,
  noteText,
  numberText,
  ordinalText,
  parentText,
} from "./names";
import type { Conventions } from "./conventions";
import { nearNamedText } from "./near";

/** Why a scale has fewer modes than notes; empty for most. */
export function symmetryText({ mode }: HomeMode): string {
  const by = period(mode.sounds);
  if (by === 12) return "";
  const modes = familyOf(mode).modes.length;
  return `${capital(numberText(by))} half ${by === 1 ? "step" : "steps"} up it is the same notes again, so its ${numberText(mode.intervals.length)} notes make ${modes === 1 ? "one mode only" : countText(modes, "mode")}, each at home on ${numberText(12 / by)} of them.`;
}

/** The count worked out: the parent's notes up to home. "C D: D is the second note of C major." */
export function countSentence(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  if (degree === 1) return "The parent scale itself, counted from its first note.";
  const up = relatives(family, tonic)
    .slice(0, degree)
    .map(({ home }, at) => `${noteText(home)} ${at + 1}`);
  return `Count up from ${noteText(tonic)}: ${up.join(", ")}.`;
}

/** The count both ways in one sentence: "G Lydian: the fourth note of D; so D major." */
export function backwardsText(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  return `${homeModeText(homeMode)}: the ${ordinalText(degree)} note of ${noteText(tonic)}; so ${parentText(tonic, family)}.`;
}

const STEPS: Readonly<Record<number, string>> = {
  1: "half",
  2: "whole",
  3: "1½",
  4: "two whole",
};

const halfStepsBetween = ({ mode }: HomeMode) => stepsOf(mode.intervals.map(halfSteps));

/** "whole half whole whole whole half whole (2 1 2 2 2 1 2)"; the figures stay on one line. */
export function stepsText(homeMode: HomeMode): string {
  const steps = halfStepsBetween(homeMode);
  return `${steps.map((step) => STEPS[step] ?? `${step} halves`).join(" ")} (${steps.join("\u00A0")})`;
}

/** "major second, minor third, …" */
export const intervalsText = ({ mode }: HomeMode): string =>
  mode.intervals
    .filter((interval) => interval !== 0)
    .map(intervalText)
    .join(", ");

/** The solfège of a note of a mode: "me" from home, "fa" from the parent's tonic, "♭3", or nothing. */
export function solfegeNote(note: Fifths, homeMode: HomeMode, convention: Conventions["syllables"]): string {
  if (convention === "none") return "";
  if (convention === "numbers") return degreeText(note - homeMode.home);
  return syllable(note - (convention === "parent" ? parentOf(homeMode).tonic : homeMode.home));
}

/** "do re me fa sol la te" from home; "re mi fa sol la ti do" from the parent's tonic; "1 2 ♭3 …"; nothing. */
export const solfegeText = (homeMode: HomeMode, convention: Conventions["syllables"]): string =>
  notesOf(homeMode)
    .map((note) => solfegeNote(note, homeMode, convention))
    .join(" ")
    .trim();

/** "every fifth perfect", "5 of 6 fifths perfect"; nothing where they could not be measured. */
export function fifthsText(fifths: readonly number[]): string {
  if (fifths.length === 0) return "";
  const perfect = fifths.filter((off) => off === 0).length;
  return perfect === fifths.length ? "every fifth perfect" : `${perfect} of ${fifths.length} fifths perfect`;
}

/** "Dm7, in full Dm13 (every fifth perfect)". */
export function homeChordText(homeMode: HomeMode): string {
  const { triad, seventh = triad } = diatonicChords(homeMode)[0]?.chords ?? {};
  const full = noteText(homeMode.home) + fullChordSuffix(homeMode.mode, "signs");
  const fifths = fifthsText(fullChord(homeMode.mode).fifths);
  const short = seventh ? chordText(seventh) : "";
  return `${short === "" || short === full ? "" : `${short}, in full `}${full}${fifths === "" ? "" : ` (${fifths})`}`;
}

/** The name of the ladder for those who cannot see it. */
export const ladderText = (homeMode: HomeMode, alignment: "parallel" | "relative"): string => {
  const { tonic, family } = parentOf(homeMode);
  return alignment === "parallel"
    ? `The modes of ${familyText(family)} on ${noteText(homeMode.home)}, from bright to dark`
    : `The modes of ${parentText(tonic, family)}, from bright to dark`;
};

/** What Play all plays, in which order. */
export const playAllText = (alignment: "parallel" | "relative"): string =>
  alignment === "parallel" ? "Play all, bright to dark" : "Play all, first to seventh";

/** What folds in the panel of a mode. */
export const MODE_FOLD = "Count, solfège, brighter and darker modes";

export const NO_STACK = "No such stack lies in this scale.";

export const ADD_A_MODE = "Add a mode to see where it differs.";

export const SCALE_NEEDS_NOTES =
  "A scale needs home and one more note. Add another before you remove this one.";

/** How another mode on the same home is compared with this one: "D Aeolian is D Dorian with B♭ for B." */
export const comparedText = ({ home, mode }: HomeMode, other: Mode): string =>
  `${homeModeText({ home, mode: other })} is ${nearNamedText(home, { mode, difference: differenceFrom(mode, other) })}.`;

/** "All three share D, F and A." */
export const allShareText = ({ home, mode }: HomeMode, count: number, shared: PitchClassSet): string =>
  `All ${numberText(count)} share ${listText(
    mode.intervals
      .filter((interval) => holds(shared, soundOf(interval)))
      .map((interval) => noteText(home + interval)),
  )}.`;

/** Of a scale without a name. */
export const uncataloguedText = (mode: Mode): string =>
  `${modeText(mode)}: ${countText(mode.intervals.length, "note")} that aren’t in the catalogue.`;

/** The steps of a scale without a name, and the named ones nearest to it. */
export const stepsAndNearestText = (homeMode: HomeMode): string =>
  `Steps: ${stepsText(homeMode)}. Nearest: ${nearestNamed(homeMode.mode)
    .map((near) => nearNamedText(homeMode.home, near))
    .join("; ")}.`;

/** "Seven rotations, each a mode, brightest first:" */
export const rotationsText = (count: number): string =>
  `${capital(countText(count, "rotation"))}, each a mode, brightest first:`;

/** "B → B♭ makes D Aeolian": what one note brighter or darker comes to. */
export const neighbourText = (home: Fifths, { mode, from, to }: Neighbour): string =>
  `${neighbourChangeText(home, { from, to })} makes ${homeModeText({ home, mode })}`;

/** "B → B♭". */
export const neighbourChangeText = (home: Fifths, { from, to }: Pick<Neighbour, "from" | "to">): string =>
  `${noteText(home + from)} → ${noteText(home + to)}`;

export const NO_NEIGHBOUR = "no named mode lies there";

/** The same sound under a name with fewer accidentals: "Easier from F♯". */
export const easierText = (home: Fifths): string => `Easier from ${noteText(home)}`;
