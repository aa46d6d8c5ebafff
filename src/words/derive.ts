import { accidentalsOf, degreeNumber, type Fifths, halfSteps, type Interval, soundOf } from "@/core/pitch";
import { diatonicChords, fullChord, fullChordSuffix } from "@/core/chord";
import { bestVamp } from "@/core/progression";
import {
  characteristicNotes,
  type Comparison,
  type Difference,
  extentOf,
  familyOf,
  type HomeMode,
  holdersOf,
  isNamed,
  type Mode,
  type Near,
  nearerReference,
  nearestNamed,
  neighboursSharing,
  notesOf,
  parentOf,
  period,
  type Reference,
  reference,
  type ReferenceConvention,
  relatives,
  SEVEN,
  shownCharacteristic,
  stepsOf,
  syllable,
  thirdOf,
  differenceFrom,
  holds,
  type Neighbour,
  type PitchClassSet,
} from "@/core/scale";
import type { Settings } from "@/storage";
import {
  capital,
  chordText,
  countText,
  degreeText,
  familyText,
  homeModeText,
  intervalText,
  inTitle,
  listText,
  modeText,
  noteText,
  numberText,
  ordinalText,
  parentText,
  type Phrase,
} from "./names";

/** The conventions that decide how a mode is told. */
export type Conventions = Pick<Settings, "reference" | "comparison" | "syllables">;

/** What a reference is called in a sentence. */
function referenceText({ mode }: { readonly mode: Mode }): string {
  if (mode.id === "ionian") return "the major scale";
  if (mode.id === "aeolian") return "the natural minor";
  return inTitle(modeText(mode));
}

/** "its sixth raised", "its second and fifth lowered", "its fourth raised and its seventh lowered". */
function movedText(changes: Difference["moved"]): string {
  const moved = (way: "raised" | "lowered") =>
    changes.filter(({ from, to }) => accidentalsOf(to) > accidentalsOf(from) === (way === "raised"));
  return (["raised", "lowered"] as const)
    .map((way) => ({ way, degrees: moved(way).map(({ to }) => ordinalText(degreeNumber(to))) }))
    .filter(({ degrees }) => degrees.length > 0)
    .map(({ way, degrees }) => `its ${listText(degrees)} ${way}`)
    .join(" and ");
}

/** "with its sixth raised", "without its second and sixth", "with ♭5 besides". */
function differenceText({ moved, dropped, added }: Difference): string {
  return [
    moved.length > 0 ? `with ${movedText(moved)}` : "",
    dropped.length > 0
      ? `without its ${listText(dropped.map((degree) => ordinalText(degreeNumber(degree))))}`
      : "",
    added.length > 0 ? `with ${listText(added.map(degreeText))} besides` : "",
  ]
    .filter((part) => part !== "")
    .join(", ");
}

/** What the mode is, against its reference: "The natural minor with its sixth raised: B in place of B♭." */
function referenceSentence(
  { home, mode }: HomeMode,
  characteristic: readonly Interval[],
  convention: ReferenceConvention,
): readonly Phrase[] {
  const told = reference(mode, convention);
  if (extentOf(told) === 0) return [`${capital(referenceText(told))} itself. `];
  const pairs = told.moved.flatMap(({ from, to }, at): readonly Phrase[] => {
    const note = noteText(home + to);
    const joint = at === 0 ? ": " : at === told.moved.length - 1 ? " and " : ", ";
    return [
      joint,
      characteristic.includes(to) ? { lit: note } : note,
      ` in place of ${noteText(home + from)}`,
    ];
  });
  // Of a set without a name the nearest named one is told already.
  const nearer = isNamed(mode) ? nearerReference(mode, convention) : undefined;
  return [
    `${capital(referenceText(told))} ${differenceText(told)}`,
    ...pairs,
    ". ",
    nearer ? `Nearer still: ${nearText(nearer)}. ` : "",
  ];
}

/** "Phrygian with 3", "minor blues without ♭5". */
function nearText({ mode, moved, dropped, added }: Reference): string {
  const has = [...moved.map(({ to }) => to), ...added].map(degreeText);
  return [
    inTitle(modeText(mode)),
    has.length > 0 ? `with ${listText(has)}` : "",
    dropped.length > 0 ? `without ${listText(dropped.map(degreeText))}` : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}

/** "♭2 and 5", "♭2, ♯4 and 5". */
const setText = (set: readonly Interval[]): string => listText(set.map(degreeText));

/** How many modes that hold every note are named before the rest are counted. */
const HOLDERS = 3;

/** What a mode is compared with, as the subject of a claim: "none of the other minor modes of the major scale". */
function noneOfThemText(mode: Mode, comparison: Comparison): string {
  const third = thirdOf(mode);
  const kind = third === undefined ? "" : third === 4 ? "major " : third === -3 ? "minor " : "";
  const isSeven = SEVEN.includes(mode);
  switch (comparison) {
    case "seven":
    case "usual":
      return comparison === "seven" || isSeven
        ? `none of the ${isSeven ? "other " : ""}${kind}modes of the major scale`
        : `none of the ${kind}modes of the major scale, of its own parent, or one note away in melodic and harmonic minor`;
    case "parent":
      return `none of the other ${kind}modes of ${familyText(familyOf(mode))}`;
    case "catalogue":
      return `no other ${kind}scale of ${numberText(mode.intervals.length)} notes in the catalogue`;
  }
}

/** What tells the mode from those it is compared with: "The natural 6 (B) is its characteristic note: none of … has it." */
function characteristicSentence(
  { home, mode }: HomeMode,
  { comparison, reference: convention }: Conventions,
): readonly Phrase[] {
  const [first, ...others] = characteristicNotes(mode, comparison, convention);
  const third = thirdOf(mode);
  if (!first) return [holdersSentence(mode, comparison)];
  if (first.length === 0)
    return [
      third === undefined
        ? "Nothing that it is compared with is like it."
        : `Its ${intervalText(third)} alone sets it apart: ${noneOfThemText(mode, comparison)} has one.`,
    ];
  const altered = new Set(reference(mode, convention).moved.map(({ to }) => to));
  const said = (interval: Interval) =>
    altered.has(interval) && accidentalsOf(interval) === 0
      ? `natural ${degreeText(interval)}`
      : degreeText(interval);
  const named = first.flatMap((interval, at): readonly Phrase[] => [
    at === 0 ? "The " : at === first.length - 1 ? " and " : ", ",
    `${said(interval)} (`,
    { lit: noteText(home + interval) },
    ")",
  ]);
  const isOne = first.length === 1;
  const all = isOne ? "it" : first.length === 2 ? "both" : `all ${numberText(first.length)}`;
  return [
    ...named,
    isOne ? " is its " : " are its ",
    { term: isOne ? "characteristic note" : "characteristic notes" },
    `: ${noneOfThemText(mode, comparison)} has ${all}.`,
    insteadText(others),
    sharingText(mode, isOne, { comparison, reference: convention }),
  ];
}

/** "♭2 and 7 together do the same.", or how many sets do. */
function insteadText(others: readonly (readonly Interval[])[]): string {
  if (others.length === 0) return "";
  if (others.length > 2) return ` ${capital(numberText(others.length))} other sets do the same.`;
  const [one = [], other] = others;
  const verb = one.length === 1 ? " does" : " do";
  const joint = one.length === 1 ? verb : ` together${verb}`;
  if (!other) return ` ${capital(setText(one))}${joint} the same.`;
  return ` ${capital(setText(one))}${one.length === 1 ? "" : " together"}, or ${setText(other)},${verb} the same.`;
}

/** Neighbours that are named. */
const NEIGHBOURS = 3;

/** The modes one note away that have the characteristic notes too, though they are not compared with, each with the note that differs. */
function sharingText(
  mode: Mode,
  isOne: boolean,
  comparedBy: Pick<Conventions, "comparison" | "reference">,
): string {
  const near = neighboursSharing(mode, comparedBy).slice(0, NEIGHBOURS);
  if (near.length === 0) return "";
  const named = near.map(
    ({ mode: other, from, to }) => `${inTitle(modeText(other))} (${degreeText(to)} for ${degreeText(from)})`,
  );
  const scales = near.length === 1 ? "One scale a note away has" : "Scales one note away have";
  return ` ${scales} ${isOne ? "it" : "them"} too: ${listText(named)}.`;
}

/** A scale that others hold whole: "No single note identifies this scale: …. What's missing does: it has no 4 and no 7." */
function holdersSentence(mode: Mode, comparison: Comparison): string {
  const holders = holdersOf(mode, comparison);
  const named = holders.slice(0, HOLDERS).map((each) => inTitle(modeText(each)));
  const rest = holders.length > HOLDERS ? [`${numberText(holders.length - HOLDERS)} more`] : [];
  const letters = new Set(mode.intervals.map(degreeNumber));
  const missing = [2, 3, 4, 5, 6, 7].filter((number) => !letters.has(number)).map((number) => `no ${number}`);
  const gap = missing.length === 0 ? "" : ` What’s missing does: it has ${listText(missing)}.`;
  return `No single note identifies this scale: ${listText([...named, ...rest])} ${holders.length === 1 ? "has" : "have"} all its notes.${gap}`;
}

/** "6", or every smallest set where there are several: "♭2 with 4 · ♭2 with 5". */
export function everySetText({ mode }: HomeMode, { comparison, reference: convention }: Conventions): string {
  const sets = characteristicNotes(mode, comparison, convention);
  if (sets.length === 0) return "none";
  return sets.map((set) => (set.length === 0 ? "its third" : setText(set))).join(" · ");
}

/** What is compared with, as a choice says it. */
export const COMPARISON_TEXT: Readonly<Record<Comparison, string>> = {
  usual: "the seven and its own parent",
  parent: "its own parent",
  seven: "the seven of major",
  catalogue: "all named modes of its size",
};

export const REFERENCE_TEXT: Readonly<Record<ReferenceConvention, string>> = {
  "by-third": "major or minor, by its third",
  major: "major always",
  nearest: "the nearest of the seven",
};

/** A scale that is not in the catalogue: the nearest that is. */
function unnamedSentence({ home, mode }: HomeMode): readonly Phrase[] {
  if (isNamed(mode)) return [];
  const [near] = nearestNamed(mode, 1);
  return [near ? `Not in the catalogue. Nearest: ${nearNamedText(home, near)}. ` : "Not in the catalogue. "];
}

/** "D Lydian dominant with E♭ for E", "D minor blues without A♭". */
export function nearNamedText(home: number, { mode, difference }: Near): string {
  const { moved, dropped, added } = difference;
  const note = (interval: Interval) => noteText(home + interval);
  return [
    homeModeText({ home, mode }),
    moved.length > 0 ? `with ${listText(moved.map(({ from, to }) => `${note(to)} for ${note(from)}`))}` : "",
    dropped.length > 0 ? `without ${listText(dropped.map(note))}` : "",
    added.length > 0 ? `with ${listText(added.map(note))} besides` : "",
  ]
    .filter((part) => part !== "")
    .join(" ");
}

/** Why a scale has fewer modes than notes; empty for most. */
export function symmetryText({ mode }: HomeMode): string {
  const by = period(mode.sounds);
  if (by === 12) return "";
  const modes = familyOf(mode).modes.length;
  return `${capital(numberText(by))} half ${by === 1 ? "step" : "steps"} up it is the same notes again, so its ${numberText(mode.intervals.length)} notes make ${modes === 1 ? "one mode only" : countText(modes, "mode")}, each at home on ${numberText(12 / by)} of them.`;
}

/** The panel's opening: what the mode is, and what tells it. */
export function whatItIs(homeMode: HomeMode, conventions: Conventions): readonly Phrase[] {
  const { mode } = homeMode;
  const characteristic = shownCharacteristic(mode, conventions);
  return [
    ...unnamedSentence(homeMode),
    ...referenceSentence(homeMode, characteristic, conventions.reference),
    ...characteristicSentence(homeMode, conventions),
  ];
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

/** "Dm and G, back and forth"; empty where the mode has no two chords. */
export function vampText(homeMode: HomeMode): string {
  const first = bestVamp(homeMode);
  return first ? `${listText(first.chords.map(chordText))}, back and forth` : "";
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
