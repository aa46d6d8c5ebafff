import { type Fifths, type Interval, printDegree, printName } from "@/core/pitch";
import { type Chord, printChord } from "@/core/chord";
import type { Family, HomeMode, Mode } from "@/core/scale";

/** A part of a sentence: plain, lit (a colour note, on amber), or strong. */
export type Phrase = string | { readonly lit: string } | { readonly strong: string };

/** Names as the screen shows them, with real accidentals. */
export const noteText = (note: Fifths): string => printName(note, "signs");
export const degreeText = (interval: Interval): string => printDegree(interval, "signs");
export const chordText = (chord: Chord): string => printChord(chord, "signs");

/** "D Dorian"; in the middle of a title a name of several words stays as it is. */
export const homeModeText = ({ home, mode }: HomeMode): string => `${noteText(home)} ${inTitle(mode.name)}`;

/** Names that begin with a common word are lower-cased inside a sentence: "melodic minor", but "Lydian dominant". */
export const inTitle = (name: string): string =>
  /^(Melodic|Harmonic|Altered)/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;

/** "the major scale", "the harmonic minor scale". */
export const familyText = ({ name }: Family): string => `the ${name} scale`;

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
};

/** Names short enough for a narrow column: "Phryg.", "Mixol.", "Phr. dom.". */
export function shortName({ name }: Mode): string {
  const words = name.split(" ");
  if (words.length === 1) return SHORT[name] ?? name;
  return words.map((word) => SHORT_WORDS[word] ?? word).join(" ");
}

/** "+3", "±0", "−2", one decimal where it is a fraction. */
export function brightnessText(value: number): string {
  const size = Number.isInteger(value) ? String(Math.abs(value)) : Math.abs(value).toFixed(1);
  return value > 0 ? `+${size}` : value < 0 ? `−${size}` : "±0";
}

/** "A", "A and B", "A, B and C". */
export function listText(items: readonly string[], joined = "and"): string {
  if (items.length < 2) return items.join("");
  return `${items.slice(0, -1).join(", ")} ${joined} ${items.at(-1) ?? ""}`;
}

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

/** "three" for 3; figures past twelve. */
export const numberText = (count: number): string => NUMBERS[count] ?? String(count);

/** "one bar", "three bars", "14 bars". */
export const countText = (count: number, one: string, many = `${one}s`): string =>
  `${numberText(count)} ${count === 1 ? one : many}`;

const ORDINALS = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

/** "second" for 2. */
export const ordinalText = (number: number): string => ORDINALS[number - 1] ?? `${number}th`;

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
