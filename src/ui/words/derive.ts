import { accidentalsOf, degreeNumber, type Interval, halfSteps } from "@/core/pitch";
import { type FifthSize, fullChord, fullChordSuffix, diatonicChords, vamps } from "@/core/chord";
import {
  colourNotes,
  type HomeMode,
  nearerReference,
  parentOf,
  type Reference,
  reference,
  stepsOf,
  syllable,
  thirdOf,
} from "@/core/scale";
import {
  capital,
  chordText,
  degreeText,
  familyText,
  listText,
  noteText,
  ordinalText,
  parentText,
  type Phrase,
} from "./names";

/** What a reference is called in a sentence. */
function referenceText({ mode }: Reference): string {
  if (mode.id === "ionian") return "the major scale";
  if (mode.id === "aeolian") return "the natural minor";
  return mode.name;
}

/** "its sixth raised", "its second and fifth lowered", "its fourth raised and its seventh lowered". */
function movedText(changes: Reference["changes"]): string {
  const moved = (way: "raised" | "lowered") =>
    changes.filter(({ from, to }) => accidentalsOf(to) > accidentalsOf(from) === (way === "raised"));
  return (["raised", "lowered"] as const)
    .map((way) => ({ way, degrees: moved(way).map(({ to }) => ordinalText(degreeNumber(to))) }))
    .filter(({ degrees }) => degrees.length > 0)
    .map(({ way, degrees }) => `its ${listText(degrees)} ${way}`)
    .join(" and ");
}

/** What the mode is, against its reference: "The natural minor with its sixth raised: B in place of B♭." */
function referenceSentence({ home, mode }: HomeMode, colour: readonly Interval[]): readonly Phrase[] {
  const told = reference(mode);
  if (told.changes.length === 0) return [`${capital(referenceText(told))} itself. `];
  const pairs = told.changes.flatMap(({ from, to }, at): readonly Phrase[] => {
    const note = noteText(home + to);
    const joint = at === 0 ? "" : at === told.changes.length - 1 ? " and " : ", ";
    return [joint, colour.includes(to) ? { lit: note } : note, ` in place of ${noteText(home + from)}`];
  });
  const nearer = nearerReference(mode);
  const near = nearer
    ? `Nearer still: ${nearer.mode.name} with ${listText(nearer.changes.map(({ to }) => degreeText(to)))}. `
    : "";
  return [`${capital(referenceText(told))} with ${movedText(told.changes)}: `, ...pairs, ". ", near];
}

/** What tells the mode from all others: "Once a minor third is heard, the 6 alone tells it." */
function colourSentence({ home, mode }: HomeMode): readonly Phrase[] {
  const [first, ...others] = colourNotes(mode);
  if (!first) return [];
  const third = thirdOf(mode);
  const heard = third === undefined ? "" : `Once a ${third === 4 ? "major" : "minor"} third is heard, `;
  const named = first.flatMap((interval, at): readonly Phrase[] => [
    at === 0 ? "" : at === first.length - 1 ? " and " : ", ",
    `${degreeText(interval)} (`,
    { lit: noteText(home + interval) },
    ")",
  ]);
  const together =
    first.length === 1
      ? " alone tells it: no mode near it has one."
      : " together tell it: no mode near it has both.";
  const instead =
    others.length === 0
      ? ""
      : ` So ${others.length === 1 ? "does" : "do"} ${listText(
          others.map((set) => set.map(degreeText).join(" with ")),
          "or",
        )}.`;
  return [
    heard === "" ? "The " : `${heard}the `,
    ...named,
    first.length > 2 ? together.replace("both", "all of them") : together,
    instead,
  ];
}

/** The panel's opening: what the mode is, and what tells it. */
export function whatItIs(homeMode: HomeMode): readonly Phrase[] {
  const colour = colourNotes(homeMode.mode)[0] ?? [];
  return [...referenceSentence(homeMode, colour), ...colourSentence(homeMode)];
}

/** "D Dorian begins on the second note of C major." */
export function countSentence(homeMode: HomeMode): string {
  const { tonic, family, degree } = parentOf(homeMode);
  const parent = parentText(tonic, family);
  if (degree === 1) return `${noteText(homeMode.home)} is the first note: the parent scale itself.`;
  return `${noteText(homeMode.home)} is the ${ordinalText(degree)} note of ${parent}.`;
}

const STEPS: Readonly<Record<number, string>> = {
  1: "half",
  2: "whole",
  3: "1½",
  4: "two whole",
};

/** "whole half whole whole whole half whole". */
export const stepsText = ({ mode }: HomeMode): string =>
  stepsOf(mode.intervals.map(halfSteps))
    .map((step) => STEPS[step] ?? String(step))
    .join(" ");

/** "do re me fa sol la te". */
export const sungText = ({ mode }: HomeMode): string => mode.intervals.map(syllable).join(" ");

/** "every fifth perfect", "5 of 6 fifths perfect". */
function fifthsText(fifths: readonly FifthSize[]): string {
  const perfect = fifths.filter((fifth) => fifth === "P5").length;
  return perfect === fifths.length ? "every fifth perfect" : `${perfect} of ${fifths.length} fifths perfect`;
}

/** "Dm7, in full Dm13 (every fifth perfect)". */
export function homeChordText(homeMode: HomeMode): string {
  const seventh = diatonicChords(homeMode)[0]?.seventh;
  const full = noteText(homeMode.home) + fullChordSuffix(homeMode.mode, "signs");
  return `${seventh ? chordText(seventh) : ""}, in full ${full} (${fifthsText(fullChord(homeMode.mode).fifths)})`;
}

/** "Dm and G, back and forth". */
export function vampText(homeMode: HomeMode): string {
  const chords = vamps(homeMode)[0]?.chords ?? [];
  return `${listText(chords.map(chordText))}, back and forth`;
}

/** The name of the ladder for those who cannot see it. */
export const ladderText = (homeMode: HomeMode, lineUp: "homes" | "notes"): string => {
  const { tonic, family } = parentOf(homeMode);
  return lineUp === "homes"
    ? `The modes of ${familyText(family)} on ${noteText(homeMode.home)}, from bright to dark`
    : `The modes of ${parentText(tonic, family)}, from bright to dark`;
};
