/**
 * A pitch class name as its place on the line of fifths: F -1, C 0, G 1 … B 5, F♯ 6, and B♭ -2, E♭ -3.
 * The difference of two such integers is an interval, spelled. The spelling is stored, the sound derived
 * from it, never the other way: a sounding number can only ever say C♯ or D♭, not which.
 */
export type Fifths = number;

/** How accidentals are written: `ascii` is F#, Bb, F##; `signs` is F♯, B♭, F𝄪. */
export type NameForm = "ascii" | "signs";

const LETTERS_BY_FIFTHS = "FCGDAEB";

/** Remainder that is never negative: `modulo(-1, 12)` is 11. */
export const modulo = (n: number, by: number): number => ((n % by) + by) % by;

/** The letter of a name: 6 (F♯) → "F". */
export function letterOf(fifths: Fifths): string {
  return LETTERS_BY_FIFTHS.charAt(modulo(fifths + 1, 7));
}

/** Sharps (positive) or flats (negative) of a name: -9 (B𝄫) → -2. */
export function accidentalsOf(fifths: Fifths): number {
  return Math.floor((fifths + 1) / 7);
}

/** The sounding pitch class, 0 (C) to 11 (B): 6 (F♯) and -6 (G♭) both give 6. */
export function soundOf(fifths: Fifths): number {
  return modulo(fifths * 7, 12);
}

/** Sharps or flats as text: 2 → "##" or "𝄪", -1 → "b" or "♭", 3 → "###" or "♯𝄪". */
export function accidentalText(count: number, form: NameForm): string {
  const n = Math.abs(count);
  if (form === "ascii") return (count < 0 ? "b" : "#").repeat(n);
  const [one, two] = count < 0 ? ["♭", "𝄫"] : ["♯", "𝄪"];
  return one.repeat(n % 2) + two.repeat(Math.floor(n / 2));
}

/** The number that written accidentals stand for: "##", "x" and "𝄪" give 2, "♭" gives -1, "♮" and "" give 0. */
export function accidentalCount(text: string): number {
  const each: Record<string, number> = { "#": 1, "♯": 1, x: 2, "𝄪": 2, b: -1, "♭": -1, "𝄫": -2, "♮": 0 };
  return [...text].reduce((sum, sign) => sum + (each[sign] ?? 0), 0);
}

/** Matches a run of written accidentals; one source for every reader of names. */
export const ACCIDENTALS = "(?:[#♯]+x?|x|𝄪|♯𝄪|b+|♭+|𝄫|♭𝄫|♮)?";

/** The name in letters: -3 → "Eb", or "E♭" with `signs`. */
export function printName(fifths: Fifths, form: NameForm = "ascii"): string {
  return letterOf(fifths) + accidentalText(accidentalsOf(fifths), form);
}

const NAME = new RegExp(`^([A-Ga-g])(${ACCIDENTALS})$`, "u");

/** Puts letter and accidentals on the line of fifths: ("F", 1) → 6. The letter must be A to G. */
export function fifthsFrom(letter: string, accidentals: number): Fifths {
  return LETTERS_BY_FIFTHS.indexOf(letter.toUpperCase()) - 1 + 7 * accidentals;
}

/**
 * The name that a text spells, or undefined where it spells none. Upper or lower case; #, ♯, b, ♭, x, 𝄪, 𝄫.
 *
 * @example maybeFifths("F#") // 6
 * @example maybeFifths("H") // undefined
 */
export function maybeFifths(text: string): Fifths | undefined {
  const found = NAME.exec(text.trim());
  return found ? fifthsFrom(found[1] ?? "", accidentalCount(found[2] ?? "")) : undefined;
}

/**
 * The name that a text spells, for text known to be one.
 *
 * @throws RangeError where it is none.
 * @example fifthsOf("Bb") // -2
 */
export function fifthsOf(text: string): Fifths {
  const fifths = maybeFifths(text);
  if (fifths === undefined)
    throw new RangeError(`“${text}” is no note name; write a letter A to G with # or b.`);
  return fifths;
}

/**
 * The spelling of a sounding pitch class with the fewest accidentals: 1 → -5 (D♭), 6 → 6 (F♯).
 * The nearest to `towards` on the line of fifths is taken; on a tie the sharp one.
 */
export function spellSound(sound: number, towards: Fifths = 0): Fifths {
  const sharpSide = modulo(sound * 7, 12); // C 0 … F 11
  const choices = [sharpSide, sharpSide - 12, sharpSide + 12];
  return choices.reduce((best, next) => (Math.abs(next - towards) < Math.abs(best - towards) ? next : best));
}
