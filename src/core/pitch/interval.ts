import {
  accidentalCount,
  accidentalsOf,
  accidentalText,
  ACCIDENTALS,
  type Fifths,
  type NameForm,
  modulo,
  soundOf,
} from "./fifths";

/**
 * An interval from home, spelled: the difference of two names on the line of fifths.
 * 0 is the home note, 1 a fifth, 4 a major third, -3 a minor third, 6 a raised fourth.
 */
export type Interval = Fifths;

/** The number of the degree, 1 to 7, by letter: -6 (♭5) → 5, 6 (♯4) → 4. */
export function degreeNumber(interval: Interval): number {
  return modulo(interval * 4, 7) + 1;
}

/** The degree as players write it, against the major scale: -3 → "b3" or "♭3". */
export function printDegree(interval: Interval, form: NameForm = "ascii"): string {
  return accidentalText(accidentalsOf(interval), form) + String(degreeNumber(interval));
}

const DEGREE = new RegExp(`^(${ACCIDENTALS})([1-9]|1[0-5])$`, "u");

/** Half steps above home, 0 to 11. */
export const halfSteps = soundOf;

/**
 * The interval that a degree stands for, compound degrees (9, 11, 13) reduced; undefined where the text is none.
 *
 * @example maybeDegree("#4") // 6
 * @example maybeDegree("b13") // -4
 */
export function maybeDegree(text: string): Interval | undefined {
  const found = DEGREE.exec(text.trim());
  if (!found) return undefined;
  const plain = [0, 2, 4, -1, 1, 3, 5][(Number(found[2]) - 1) % 7] ?? 0;
  return plain + 7 * accidentalCount(found[1] ?? "");
}

/**
 * The interval that a degree stands for, for text known to be one.
 *
 * @throws RangeError where it is none.
 */
export function degreeOf(text: string): Interval {
  const interval = maybeDegree(text);
  if (interval === undefined)
    throw new RangeError(`“${text}” is no degree; write 1 to 15 with b or # before it.`);
  return interval;
}
