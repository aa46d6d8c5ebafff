import type { Fifths } from "@/core/pitch";

/** The key that numerals count from. */
export interface NumeralKey {
  readonly tonic: Fifths;
  readonly isMinor: boolean;
}

/** The degrees of a major and a natural minor scale on the line of fifths from the tonic. */
const MAJOR = [0, 2, 4, -1, 1, 3, 5];
const MINOR = [0, 2, -3, -1, 1, -4, -2];

const ROMAN = ["i", "ii", "iii", "iv", "v", "vi", "vii"];

/** A numeral in a pattern, the longer ones first. */
export const NUMERAL = "VII|VI|IV|V|III|II|I|vii|vi|iv|v|iii|ii|i";

/** The number of a numeral: "IV" → 4. */
export const numberOf = (numeral: string): number => ROMAN.indexOf(numeral.toLowerCase()) + 1;

const SHIFTS: Readonly<Record<string, Fifths>> = { "": 0, b: -7, "♭": -7, "#": 7, "♯": 7 };

/**
 * A degree of the key, raised or lowered. In a minor key ♭3, ♭6 and ♭7 are what 3, 6 and 7 are: people write both.
 *
 * @example degreeOf({ tonic: 0, isMinor: false }, "b", 7) // B♭
 */
export function degreeOf({ tonic, isMinor }: NumeralKey, shift: string, number: number): Fifths {
  const isThereAlready = isMinor && SHIFTS[shift] === -7 && [3, 6, 7].includes(number);
  const scale = isMinor ? MINOR : MAJOR;
  return tonic + (scale[number - 1] ?? 0) + (isThereAlready ? 0 : (SHIFTS[shift] ?? 0));
}
