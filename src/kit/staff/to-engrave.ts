/**
 * ABC as the engraver gets it, with nothing moved: title and tempo are blanked, since they stand elsewhere, and double accidentals in
 * chord symbols are signs, of which the engraver makes only the first.
 *
 * @example toEngrave('T:Gate\n"Bbbmaj7"C') // '%     \n"B♭♭maj7"C'
 */
export const toEngrave = (text: string): string =>
  text
    .replaceAll(/^[TQ]:.*$/gmu, (field) => `%${" ".repeat(Math.max(0, field.length - 1))}`)
    .replaceAll(/"[A-G][^"\n]*"/gu, (symbol) =>
      symbol.replaceAll(/(?<=["/][A-G])(?:bb|##)/gu, (sign) => (sign === "bb" ? "♭♭" : "♯♯")),
    );
