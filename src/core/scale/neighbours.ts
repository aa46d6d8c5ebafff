import { degreeNumber, type Interval } from "../pitch";
import { CATALOGUE, intervalAt, type NamedMode } from "./catalogue";

/** One degree moved by a half step and the mode that this makes. */
export interface Neighbour {
  readonly mode: NamedMode;
  readonly from: Interval;
  readonly to: Interval;
}

/** Raising by a half step keeps the letter and adds 7 on the line of fifths. */
const HALF_STEP = 7;

/**
 * The catalogue modes reached by raising (or lowering) one degree a half step, home untouched: those of the mode's
 * own family first, then the major scale's, then in the catalogue's order.
 *
 * @example oneNoteAway(dorian, "brighter")[0] // Mixolydian, from ♭3 to 3
 */
export function oneNoteAway(mode: NamedMode, way: "brighter" | "darker"): readonly Neighbour[] {
  const step = way === "brighter" ? HALF_STEP : -HALF_STEP;
  const found = CATALOGUE.flatMap((other) => {
    const moved = mode.intervals.filter((interval) => !other.intervals.includes(interval));
    const from = moved[0];
    if (moved.length !== 1 || from === undefined || from === 0) return [];
    return other.intervals.includes(from + step) ? [{ mode: other, from, to: from + step }] : [];
  });
  const distance = (to: NamedMode) => (to.family === mode.family ? 0 : 1);
  return found.sort((a, b) => distance(a.mode) - distance(b.mode));
}

/** The degrees by letter in which two modes differ, in order of degree. */
export function changesBetween(
  reference: NamedMode,
  mode: NamedMode,
): readonly { from: Interval; to: Interval }[] {
  return mode.intervals.flatMap((to) => {
    const from = intervalAt(reference.intervals, degreeNumber(to));
    return from === undefined || from === to ? [] : [{ from, to }];
  });
}
