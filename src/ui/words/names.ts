import { type Fifths, type Interval, printDegree, printName } from "@/core/pitch";
import { type Chord, printChord } from "@/core/chord";
import type { Family, HomeMode, NamedMode } from "@/core/scale";

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

/** Names short enough for a narrow column: "Phryg.", "Mixol.". */
export function shortName({ name }: NamedMode): string {
  const short: Readonly<Record<string, string>> = {
    Phrygian: "Phryg.",
    Mixolydian: "Mixol.",
    Aeolian: "Aeol.",
    Locrian: "Locr.",
  };
  return short[name] ?? name;
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

/** "one bar", "three bars", "12 bars". */
export function countText(count: number, one: string, many = `${one}s`): string {
  const words = ["no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine"];
  return `${words[count] ?? String(count)} ${count === 1 ? one : many}`;
}

const ORDINALS = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh"];

/** "second" for 2. */
export const ordinalText = (number: number): string => ORDINALS[number - 1] ?? `${number}th`;

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
