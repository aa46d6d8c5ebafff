import { type Fifths, type Interval, printName } from "@/core/pitch";
import { degreeOf, NUMERAL, type NumeralKey, numberOf } from "./numeral-key";

/** The chord that figures make of a numeral: a triad or a seventh chord, and which of its tones is in the bass. */
const FIGURES: Readonly<Record<string, { readonly isSeventh: boolean; readonly bass: 0 | 1 | 2 | 3 }>> = {
  "": { isSeventh: false, bass: 0 },
  "53": { isSeventh: false, bass: 0 },
  "6": { isSeventh: false, bass: 1 },
  "63": { isSeventh: false, bass: 1 },
  "64": { isSeventh: false, bass: 2 },
  "7": { isSeventh: true, bass: 0 },
  "65": { isSeventh: true, bass: 1 },
  "43": { isSeventh: true, bass: 2 },
  "42": { isSeventh: true, bass: 3 },
  "2": { isSeventh: true, bass: 3 },
};

/** A numeral with its sign and figures, of the key or of another of its degrees. */
const FIGURED = new RegExp(
  `^([b#♭♯]?)(${NUMERAL})(°|o|ø|Ø|\\+)?(53|6[345]?|7|4[23]|2)?(?:/([b#♭♯]?)(${NUMERAL}))?$`,
  "u",
);

/** Figures that are nothing else: a plain 6, 7 or 2 may be an added note or a seventh as in chord symbols. */
const IS_FIGURED = /(?:64|65|43|42)(?:$|\/)|[°oøØ]6(?:$|\/)|^N6?$/u;

/** The Neapolitan; the augmented sixths, which sound as a dominant seventh on ♭6. */
const NAMED = /^(?:(N)(6|53)?|(It|Fr|Ger|Gr)\+?(?:6|65|43)?)$/u;
const SIXTHS: Readonly<Record<string, string>> = { It: "7no5", Fr: "7b5", Ger: "7", Gr: "7" };

const SMALL = "₀₁₂₃₄₅₆₇₈₉";
const RAISED = "⁰¹²³⁴⁵⁶⁷⁸⁹";

/** Figures in plain digits, without the stroke between two of them: V⁶₅ and V6/5 are V65. */
function plainFigures(word: string): string {
  const digits = word
    .replaceAll(/[₀-₉]/gu, (digit) => String(SMALL.indexOf(digit)))
    .replaceAll(/[⁰¹²³⁴-⁹]/gu, (digit) => String(RAISED.indexOf(digit)));
  return digits.replace(/(?<=[IViv°oøØ+])(6\/[345]|4\/[23])(?=$|\/)/u, (pair) => pair.replace("/", ""));
}

/**
 * Whether a line of numerals is figured as classical harmony is: then a plain 6 in it is an inversion too.
 *
 * @example isFiguredLine(["I6", "ii65", "V", "I"]) // true
 */
export const isFiguredLine = (words: readonly string[]): boolean =>
  words.some((word) => IS_FIGURED.test(plainFigures(word)));

/**
 * The chord that a figured numeral says in a key, with its bass; undefined where it is none. Sevenths are those of the key.
 *
 * @param isFigured it stands in a figured line: 6, 7 and 2 are figures there
 * @example figuredChord("V42/IV", { tonic: 0, isMinor: false }, true) // "C7/Bb"
 */
export function figuredChord(written: string, key: NumeralKey, isFigured: boolean): string | undefined {
  const word = plainFigures(written);
  const named = namedChord(word, key);
  if (named !== undefined) return named;
  const [, shift = "", numeral = "", sign = "", figures = "", towards = "", place = ""] =
    FIGURED.exec(word) ?? [];
  const made = FIGURES[figures];
  if (numeral === "" || !made || !(isFigured || IS_FIGURED.test(word))) return undefined;
  const within: NumeralKey =
    place === ""
      ? key
      : { tonic: degreeOf(key, towards, numberOf(place)), isMinor: place === place.toLowerCase() };
  const number = numberOf(numeral);
  const isSmall = numeral === numeral.toLowerCase();
  // The chord on the seventh of minor stands on its leading note.
  const isLeading = number === 7 && isSmall && shift === "" && (within.isMinor || place !== "");
  const scale: NumeralKey = isLeading ? { ...within, isMinor: false } : within;
  const root = degreeOf(scale, shift, number);
  const plain = degreeOf(scale, "", number);
  const above = (steps: number) => degreeOf(within, "", ((number - 1 + steps) % 7) + 1) - plain;
  const isDiminished = /[°oøØ]/u.test(sign) || (isSmall && sign === "" && above(4) === -6);
  const third: Interval = isSmall ? -3 : 4;
  const fifth: Interval = isDiminished ? -6 : sign === "+" ? 8 : 1;
  const seventh: Interval = /[°o]/u.test(sign) ? -9 : /[øØ]/u.test(sign) ? -2 : above(6);
  const suffix = made.isSeventh ? seventhSuffix(third, fifth, seventh) : triadSuffix(third, fifth);
  if (suffix === undefined) return undefined;
  const bass = [0, third, fifth, seventh][made.bass] ?? 0;
  return symbol(root, suffix, root + bass);
}

function namedChord(word: string, key: NumeralKey): string | undefined {
  const [, neapolitan, inversion, sixth] = NAMED.exec(word) ?? [];
  if (neapolitan !== undefined) {
    const root = key.tonic - 5;
    return symbol(root, "", inversion === "6" ? root + 4 : root);
  }
  const suffix = SIXTHS[sixth ?? ""];
  return suffix === undefined ? undefined : symbol(key.tonic - 4, suffix, key.tonic - 4);
}

const symbol = (root: Fifths, suffix: string, bass: Fifths): string =>
  printName(root, "ascii") + suffix + (bass === root ? "" : `/${printName(bass, "ascii")}`);

const triadSuffix = (third: Interval, fifth: Interval): string =>
  fifth === -6 ? "dim" : fifth === 8 ? "aug" : third < 0 ? "m" : "";

/** Undefined for a seventh that no symbol has. */
function seventhSuffix(third: Interval, fifth: Interval, seventh: Interval): string | undefined {
  if (fifth === -6) return seventh === -9 ? "dim7" : seventh === -2 ? "m7b5" : undefined;
  if (seventh !== -2 && seventh !== 5) return undefined;
  const plain = third < 0 ? (seventh === 5 ? "m(maj7)" : "m7") : seventh === 5 ? "maj7" : "7";
  return fifth === 8 ? `${plain}#5` : plain;
}
