import { halfSteps, type Interval } from "../pitch";
import type { Mode } from "../scale";

/** A degree that one mode has in another form than another. */
interface DegreeChange {
  readonly from: Interval;
  readonly to: Interval;
}

/** The degrees in which a mode differs from one of as many notes. */
export const changesFrom = (source: Mode, mode: Mode): readonly DegreeChange[] =>
  mode.intervals
    .map((to, at) => ({ from: source.intervals[at] ?? to, to }))
    .filter(({ from, to }) => from !== to);

/**
 * Shares by half steps above home, with some degrees moved: what is expected of a mode of which few tunes or none were counted, from
 * one that shares most with it.
 */
export function swappedShares(
  shares: readonly number[],
  changes: readonly DegreeChange[],
): readonly number[] {
  const moved = [...shares];
  for (const { from, to } of changes) {
    moved[halfSteps(from)] = shares[halfSteps(to)] ?? 0;
    moved[halfSteps(to)] = shares[halfSteps(from)] ?? 0;
  }
  return moved;
}
