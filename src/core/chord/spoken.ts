import { type Fifths, maybeFifthsIn, type NoteNaming } from "../pitch";

/** Kinds of chords as players say them, with the suffix that is written. */
const SPOKEN: readonly (readonly [said: string, suffix: string])[] = [
  ["major triad", ""],
  ["major chord", ""],
  ["minor triad", "m"],
  ["minor chord", "m"],
  ["diminished triad", "dim"],
  ["diminished", "dim"],
  ["augmented triad", "aug"],
  ["augmented", "aug"],
  ["suspended fourth", "sus4"],
  ["suspended second", "sus2"],
  ["suspended", "sus4"],
  ["major sixth", "6"],
  ["minor sixth", "m6"],
  ["dominant seventh", "7"],
  ["dominant", "7"],
  ["seventh", "7"],
  ["major seventh", "maj7"],
  ["minor seventh", "m7"],
  ["minor major seventh", "m(maj7)"],
  ["half diminished", "m7b5"],
  ["half diminished seventh", "m7b5"],
  ["diminished seventh", "dim7"],
  ["augmented seventh", "7#5"],
  ["seventh suspended", "7sus4"],
  ["altered", "7alt"],
  ["altered dominant", "7alt"],
  ["dominant ninth", "9"],
  ["ninth", "9"],
  ["major ninth", "maj9"],
  ["minor ninth", "m9"],
  ["dominant eleventh", "11"],
  ["minor eleventh", "m11"],
  ["dominant thirteenth", "13"],
  ["thirteenth", "13"],
  ["major thirteenth", "maj13"],
  ["minor thirteenth", "m13"],
  ["power chord", "5"],
];

const BY_NAME = new Map(SPOKEN);

/** Numbers as they are said and typed, each as in the list above. */
const NUMBERS: Readonly<Record<string, string>> = {
  two: "second",
  four: "fourth",
  six: "sixth",
  seven: "seventh",
  nine: "ninth",
  eleven: "eleventh",
  thirteen: "thirteenth",
  "2": "second",
  "4": "fourth",
  "6": "sixth",
  "7": "seventh",
  "9": "ninth",
  "11": "eleventh",
  "13": "thirteenth",
  maj: "major",
  min: "minor",
  dom: "dominant",
  dim: "diminished",
  aug: "augmented",
  sus: "suspended",
};

/** A kind of chord that was named in words, and its root where that was named too. */
export interface SpokenChord {
  readonly root: Fifths | undefined;
  /** As it is written behind the root: "7", "m7b5". */
  readonly suffix: string;
}

/**
 * A chord as players say it, with its root in front if they like; undefined for anything else, and for a symbol.
 *
 * @example spokenChord("dominant seven") // { root: undefined, suffix: "7" }
 * @example spokenChord("Bb half-diminished") // { root: B flat, suffix: "m7b5" }
 */
export function spokenChord(text: string, naming: NoteNaming = "english"): SpokenChord | undefined {
  const words = text
    .toLowerCase()
    .split(/[\s-]+/u)
    .filter((word) => word !== "")
    .map((word) => word.replace(/^(\d+)(?:th|nd)$/u, "$1"));
  const whole = suffixNamed(words);
  if (whole !== undefined) return { root: undefined, suffix: whole };
  const [first = "", ...rest] = words;
  const root = maybeFifthsIn(first, naming);
  const suffix = root === undefined ? undefined : suffixNamed(rest);
  return suffix === undefined ? undefined : { root, suffix };
}

/** The suffix that some words name, with the word "chord" behind them or not. */
function suffixNamed(words: readonly string[]): string | undefined {
  const said = words.map((word) => NUMBERS[word] ?? word).join(" ");
  return BY_NAME.get(said) ?? BY_NAME.get(said.replace(/ chord$/u, ""));
}
