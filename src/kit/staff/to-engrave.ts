import type { NoteNaming } from "@/core/pitch";

/**
 * ABC as the engraver gets it, with nothing moved: title and tempo are blanked, since they stand elsewhere; double accidentals in
 * chord symbols are signs, of which the engraver makes only the first; and where notes are named the German way, so are chords. Under
 * names that take more room than letters chords keep their letters.
 *
 * @example toEngrave('T:Gate\n"Bbbmaj7"C', "english") // '%     \n"B♭♭maj7"C'
 * @example toEngrave('"Bb7"C "B7"C', "german") // '"B7 "C "H7"C'
 */
export const toEngrave = (text: string, naming: NoteNaming): string =>
  text
    .replaceAll(/^[TQ]:.*$/gmu, (field) => `%${" ".repeat(Math.max(0, field.length - 1))}`)
    .replaceAll(/"[A-G][^"\n]*"/gu, (symbol) => {
      const signed = symbol.replaceAll(/(?<=["/][A-G])(?:bb|##)/gu, (sign) => (sign === "bb" ? "♭♭" : "♯♯"));
      return naming === "german" ? inGerman(signed) : signed;
    });

/** A chord symbol in quotes whose B is H and whose B flat is B, filled up to the length that it had. */
function inGerman(symbol: string): string {
  const named = symbol.replaceAll(/(?<=["/])B([b#]?)/gu, (_, sign: string) =>
    sign === "b" ? "B" : `H${sign === "#" ? "♯" : ""}`,
  );
  return `${named.slice(0, -1).padEnd(symbol.length - 1)}"`;
}
