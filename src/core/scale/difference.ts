import { degreeNumber, halfSteps, type Interval } from "../pitch";
import { holds, type PitchClassSet } from "./pitch-class-set";

/** What two scales are held together by. */
interface Scale {
  readonly intervals: readonly Interval[];
  readonly sounds: PitchClassSet;
}

/** How one mode differs from another, by letter: degrees moved, degrees it lacks, degrees it has besides. */
export interface Difference {
  readonly moved: readonly { readonly from: Interval; readonly to: Interval }[];
  readonly dropped: readonly Interval[];
  readonly added: readonly Interval[];
}

/** How many degrees a difference touches. */
export const extentOf = ({ moved, dropped, added }: Difference): number =>
  moved.length + dropped.length + added.length;

/**
 * How a mode differs from a reference, in order of degree. Two seven-note modes are held together letter by letter; with
 * other scales what sounds in both is no difference, and the rest is paired by letter where it can be.
 *
 * @example differenceFrom(aeolian, minorPentatonic) // dropped: 2 and ♭6
 */
export function differenceFrom(reference: Scale, mode: Scale): Difference {
  const byLetter = reference.intervals.length === 7 && mode.intervals.length === 7;
  const isLost = (interval: Interval) =>
    byLetter ? !mode.intervals.includes(interval) : !holds(mode.sounds, halfSteps(interval));
  const isGained = (interval: Interval) =>
    byLetter ? !reference.intervals.includes(interval) : !holds(reference.sounds, halfSteps(interval));
  const moved: { from: Interval; to: Interval }[] = [];
  const dropped: Interval[] = [];
  const added: Interval[] = [];
  for (let number = 1; number <= 7; number += 1) {
    const hasLetter = (interval: Interval) => degreeNumber(interval) === number;
    const lost = reference.intervals.filter((interval) => hasLetter(interval) && isLost(interval));
    const gained = mode.intervals.filter((interval) => hasLetter(interval) && isGained(interval));
    const pairs = Math.min(lost.length, gained.length);
    moved.push(...gained.slice(0, pairs).map((to, at) => ({ from: lost[at] ?? to, to })));
    dropped.push(...lost.slice(pairs));
    added.push(...gained.slice(pairs));
  }
  return { moved, dropped, added };
}
