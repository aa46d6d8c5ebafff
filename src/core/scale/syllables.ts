import { accidentalsOf, accidentalText, degreeNumber, type Interval } from "../pitch";

const PLAIN = ["do", "re", "mi", "fa", "sol", "la", "ti"];
const RAISED = ["di", "ri", undefined, "fi", "si", "li", undefined];
const LOWERED = [undefined, "ra", "me", "fe", "se", "le", "te"];

/**
 * The solfège syllable of a degree in movable do with home as do: ♭3 → "me", ♯4 → "fi". Chromatic vowels as usual
 * (raised i, lowered e, and ra); a doubly altered degree has no syllable in use and keeps its sign.
 */
export function syllable(interval: Interval): string {
  const at = degreeNumber(interval) - 1;
  const accidentals = accidentalsOf(interval);
  const plain = PLAIN[at] ?? "";
  if (accidentals === 0) return plain;
  const altered = accidentals === 1 ? RAISED[at] : accidentals === -1 ? LOWERED[at] : undefined;
  return altered ?? plain + accidentalText(accidentals, "signs");
}
