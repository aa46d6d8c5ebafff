import {
  accidentalsOf,
  degreeNumber,
  type Fifths,
  type Interval,
  printDegree,
  printNameIn,
} from "@/core/pitch";
import { type Chord, chordSuffix } from "@/core/chord";
import { CATALOGUE, FAMILIES, type Family, type HomeMode, type Mode } from "@/core/scale";
import { wording } from "./wording";

/** A part of a sentence: plain, lit (a characteristic note, on amber), a target note, a term with its explanation, strong, or one that points at notes of the tune. */
export type Phrase =
  | string
  | { readonly lit: string }
  | { readonly target: string }
  | { readonly term: string }
  | { readonly strong: string }
  | { readonly says: string; readonly points: readonly number[] };

/** A sentence without its marks: what a reader hears. */
export const plainText = (phrases: readonly Phrase[]): string =>
  phrases
    .map((phrase) => {
      if (typeof phrase === "string") return phrase;
      if ("lit" in phrase) return phrase.lit;
      if ("target" in phrase) return phrase.target;
      if ("term" in phrase) return phrase.term;
      return "strong" in phrase ? phrase.strong : phrase.says;
    })
    .join("");

/** Names as the screen shows them, with real accidentals. */
export const noteText = (note: Fifths): string => printNameIn(note, wording().noteNames);
export const degreeText = (interval: Interval): string => printDegree(interval, "signs");
export const chordText = ({ root, tones, bass }: Chord): string =>
  noteText(root) + chordSuffix(tones, "signs") + (bass === undefined ? "" : `/${noteText(bass)}`);

const PLAIN_NAMES: Readonly<Record<string, string>> = { ionian: "Major", aeolian: "Natural minor" };

/** "Dorian"; Ionian and Aeolian by the names that the user prefers. */
export const modeText = ({ id, name }: Mode): string =>
  (wording().majorNames === "plain" ? PLAIN_NAMES[id] : undefined) ?? name;

/** "D Dorian"; in the middle of a title a name of several words stays as it is. */
export const homeModeText = ({ home, mode }: HomeMode): string =>
  `${noteText(home)} ${inTitle(modeText(mode))}`;

/** Names that begin with a common word are lower-cased inside a sentence: "melodic minor", but "Lydian dominant". */
export const inTitle = (name: string): string =>
  /^(Melodic|Harmonic|Altered|Double|Major|Minor|Natural|Suspended|Whole|Diminished|Dominant|Augmented|Bebop)/.test(
    name,
  )
    ? name.charAt(0).toLowerCase() + name.slice(1)
    : name;

/** "the major scale", "the harmonic minor scale", "the major scale without 7". */
export function familyText({ name }: Family): string {
  const [scale = name, without] = name.split(" without ");
  return `the ${scale} scale${without === undefined ? "" : ` without ${without}`}`;
}

const SIZES: Readonly<Record<string, readonly string[]>> = {
  perfect: ["perfect", "augmented", "doubly augmented", "triply augmented"],
  imperfect: ["major", "augmented", "doubly augmented", "triply augmented"],
};
const LOWERED: Readonly<Record<string, readonly string[]>> = {
  perfect: ["perfect", "diminished", "doubly diminished", "triply diminished"],
  imperfect: ["major", "minor", "diminished", "doubly diminished", "triply diminished"],
};
const NUMBER_NAMES = ["unison", "second", "third", "fourth", "fifth", "sixth", "seventh"];

/** "minor", "augmented", "perfect": how large an interval of its number is; very odd ones by how often they are altered. */
export function sizeText(interval: Interval): string {
  const kind = [1, 4, 5].includes(degreeNumber(interval)) ? "perfect" : "imperfect";
  const by = accidentalsOf(interval);
  return (
    (by < 0 ? LOWERED : SIZES)[kind]?.[Math.abs(by)] ??
    `${Math.abs(by)} times ${by < 0 ? "lowered" : "raised"}`
  );
}

/** "minor third", "augmented fourth", "home" for the unison. */
export const intervalText = (interval: Interval): string =>
  interval === 0 ? "home" : `${sizeText(interval)} ${NUMBER_NAMES[degreeNumber(interval) - 1] ?? ""}`;

/** "C major", "A harmonic minor". */
export const parentText = (tonic: Fifths, { name }: Family): string => `${noteText(tonic)} ${name}`;

const SHORT: Readonly<Record<string, string>> = {
  Phrygian: "Phryg.",
  Mixolydian: "Mixol.",
  Aeolian: "Aeol.",
  Locrian: "Locr.",
  Ultralocrian: "Ultral.",
};

/** Each word by its beginning, where a name has several. */
const SHORT_WORDS: Readonly<Record<string, string>> = {
  Ionian: "Ion.",
  Dorian: "Dor.",
  Phrygian: "Phr.",
  Lydian: "Lyd.",
  Mixolydian: "Mix.",
  Locrian: "Loc.",
  Melodic: "Mel.",
  Harmonic: "Har.",
  minor: "min.",
  major: "maj.",
  dominant: "dom.",
  augmented: "aug.",
  Double: "Dbl",
  Neapolitan: "Neap.",
  Ultralocrian: "Ultral.",
  Aeolian: "Aeol.",
  Major: "Maj.",
  Minor: "Min.",
  Suspended: "Sus.",
  pentatonic: "pent.",
  Whole: "Whole",
  Dominant: "Dom.",
  "Augmented,": "Aug.",
  half: "½",
  step: "",
  first: "",
  Bebop: "Beb.",
  melodic: "mel.",
  harmonic: "har.",
  diminished: "dim.",
  without: "no",
};

/** Names short enough for a narrow column: "Phryg.", "Mixol.", "Phr. dom.". */
export function shortName(mode: Mode): string {
  const name = modeText(mode);
  if (name === "Natural minor") return "Minor";
  const words = name.split(" ");
  if (words.length === 1) return SHORT[name] ?? name;
  return words
    .map((word) => SHORT_WORDS[word] ?? word)
    .filter((word) => word !== "")
    .join(" ");
}

/** "E Mixol.". */
export const shortHomeModeText = ({ home, mode }: HomeMode): string => `${noteText(home)} ${shortName(mode)}`;

/** "+3", "±0", "−2", one decimal where it is a fraction. */
export function brightnessText(value: number): string {
  const size = Number.isInteger(value) ? String(Math.abs(value)) : Math.abs(value).toFixed(1);
  return value > 0 ? `+${size}` : value < 0 ? `−${size}` : "±0";
}

/** "A", "A and B", "A, B and C". */
export const listText = (items: readonly string[], joined: "and" | "or" = "and"): string =>
  LISTS[joined].format(items);

const LISTS = {
  and: new Intl.ListFormat("en-GB", { type: "conjunction" }),
  or: new Intl.ListFormat("en-GB", { type: "disjunction" }),
} as const;

const NUMBERS = [
  "no",
  "one",
  "two",
  "three",
  "four",
  "five",
  "six",
  "seven",
  "eight",
  "nine",
  "ten",
  "eleven",
  "twelve",
];

/** "three" for 3; figures past twelve: "14", "81,250". */
export const numberText = (count: number): string => NUMBERS[count] ?? figureText(count);

/** A count in figures: "7", "81,250". */
export const figureText = (count: number): string => FIGURES.format(count);

const FIGURES = new Intl.NumberFormat("en");

/** "one bar", "three bars", "14 bars". */
export const countText = (count: number, one: string, many = `${one}s`): string =>
  `${numberText(count)} ${count === 1 ? one : many}`;

const ORDINALS = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

/** "second" for 2. */
export const ordinalText = (number: number): string => ORDINALS[number - 1] ?? `${number}th`;

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What is marked on a note, behind its degree: ", characteristic, chord tone". */
export const markText = (isCharacteristic: boolean, isChordTone: boolean, isTarget: boolean): string =>
  [
    isCharacteristic ? ", characteristic" : "",
    isTarget ? ", target note" : isChordTone ? ", chord tone" : "",
  ].join("");

/** Where the cursor is on a neck: "String 5, fret 3, C (♭7)". */
export const stringFretText = (
  { string, fret }: { readonly string: number; readonly fret: number },
  note?: string,
): string =>
  [`String ${string}`, fret === 0 ? "open" : `fret ${fret}`, ...(note === undefined ? [] : [note])].join(
    ", ",
  );

/** The modes of the catalogue as they are offered in a list, under their families; one that has no name there stands first. */
export const modeOptions = (chosen: Mode) => [
  ...(CATALOGUE.includes(chosen) ? [] : [{ value: chosen.id, text: modeText(chosen) }]),
  ...FAMILIES.flatMap((family) =>
    family.modes
      .filter((each) => CATALOGUE.includes(each))
      .map((each) => ({ value: each.id, text: modeText(each), under: capital(familyText(family)) })),
  ),
];
