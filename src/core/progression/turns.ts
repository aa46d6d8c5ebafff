import type { Fifths } from "../pitch";
import { notesOnlyIn } from "./decide";
import type { ChartReading } from "./readings";

/** Where a reading turns from one mode to the next, and which notes change. */
export interface Turn {
  /** The first chord of the new mode. */
  readonly at: number;
  readonly leaves: readonly Fifths[];
  readonly takes: readonly Fifths[];
}

/**
 * The turns of a reading in order.
 *
 * @example turnsOf(E Dorian, then E Aeolian from bar 5) // at 4, leaves C♯, takes C
 */
export function turnsOf({ segments }: ChartReading): readonly Turn[] {
  return segments.slice(1).flatMap((segment, n) => {
    const before = segments[n];
    if (!before) return [];
    return [
      {
        at: segment.from,
        leaves: notesOnlyIn(before.homeMode, segment.homeMode),
        takes: notesOnlyIn(segment.homeMode, before.homeMode),
      },
    ];
  });
}
