import type { Interval } from "../pitch";
import { mode as modeById, type NamedMode, SEVEN } from "./catalogue";
import { brightness, thirdOf } from "./count";
import { changesBetween } from "./neighbours";
import { compareRanks } from "./rank";

/** What a mode is compared with: plain major always; major or natural minor by the third; the nearest of the seven. */
export type ReferenceSchool = "major" | "by-third" | "nearest";

/** A mode told by another: the reference and the degrees that differ from it, in order. */
export interface Reference {
  readonly mode: NamedMode;
  readonly changes: readonly { readonly from: Interval; readonly to: Interval }[];
}

const MAJOR = modeById("ionian");
const MINOR = modeById("aeolian");

/**
 * The reference of a mode in the school chosen. Lydian is major with ♯4, Dorian minor with 6, Locrian minor with ♭2
 * and ♭5; by the nearest of the seven Locrian is Phrygian with ♭5 and Phrygian dominant Phrygian with 3.
 *
 * @example reference(dorian, "by-third") // { mode: aeolian, changes: [{ from: -4, to: 3 }] }
 */
export function reference(mode: NamedMode, school: ReferenceSchool = "by-third"): Reference {
  if (school === "nearest") return nearestReference(mode);
  const chosen = school === "by-third" && thirdOf(mode) === -3 ? MINOR : MAJOR;
  return { mode: chosen, changes: changesBetween(chosen, mode) };
}

/** The nearest other mode of the seven, where it needs fewer changes than the reference by the third; else undefined. */
export function nearerReference(mode: NamedMode): Reference | undefined {
  const plain = reference(mode);
  const nearest = nearestReference(mode);
  return nearest.changes.length < plain.changes.length ? nearest : undefined;
}

/**
 * Fewest changed degrees first; where two tie, the one that shares the third, then the one nearest in brightness,
 * then plain major or minor. Major and natural minor are their own; any other of the seven is told by another.
 */
function nearestReference(mode: NamedMode): Reference {
  if (mode === MAJOR || mode === MINOR) return { mode, changes: [] };
  const cost = (other: NamedMode) => [
    changesBetween(other, mode).length,
    thirdOf(other) === thirdOf(mode) ? 0 : 1,
    Math.abs(brightness(other.intervals) - brightness(mode.intervals)),
    other === MAJOR || other === MINOR ? 0 : 1,
  ];
  const nearest = SEVEN.filter((other) => other !== mode).reduce((best, next) =>
    compareRanks(cost(next), cost(best)) < 0 ? next : best,
  );
  return { mode: nearest, changes: changesBetween(nearest, mode) };
}
