import type { BarSigns } from "../chord";
import { EPSILON, type TuneBar } from "./tune";

/** A bar as a reader finds it, before it is numbered: `whole` is the length that the meter asks for. */
export interface FoundBar {
  readonly start: number;
  readonly length: number;
  readonly whole: number;
  readonly endsSection: boolean;
  readonly signs?: BarSigns | undefined;
  /** The number that is printed, where one is. */
  readonly printed?: number | undefined;
  /** It is not counted: a pickup, or a part of a bar that is split. */
  readonly isUncounted?: boolean | undefined;
}

/**
 * Numbers the bars as they are printed, or else counts them, and finds the pickups: a short bar at the start, or at the start of a
 * section after a short end, or the second part of a bar that is split.
 */
export function numberBars(found: readonly FoundBar[]): readonly TuneBar[] {
  const bars: TuneBar[] = [];
  for (const [at, { start, length, whole, endsSection, signs, printed, isUncounted }] of found.entries()) {
    const before = found[at - 1];
    const isShort = length < whole - EPSILON;
    const parted =
      before !== undefined &&
      (before.endsSection || isUncounted === true) &&
      isShort &&
      before.length < before.whole - EPSILON &&
      before.length + length <= whole + EPSILON;
    const isPickup = parted || (at === 0 && isShort && found.length > 1);
    const counted = (bars.at(-1)?.number ?? 0) + (isPickup || isUncounted === true ? 0 : 1);
    const number = printed ?? counted;
    bars.push({
      number,
      start,
      length,
      lead: isPickup ? whole - length : 0,
      endsSection: endsSection && !(isPickup && at === 0),
      ...(signs ? { signs } : {}),
    });
  }
  return bars;
}

/** Quarters of the longest of some bars: a bar that is filled, where one is. */
export const longestBar = (bars: readonly TuneBar[]): number =>
  bars.reduce((most, { length }) => Math.max(most, length), 0);
