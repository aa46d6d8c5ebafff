import type { Fifths } from "../pitch";
import { notesOnlyIn } from "./decide";
import type { ChartAnalysis } from "./analyses";

/** Where an analysis changes from one mode to the next, and which notes change. */
export interface Change {
  /** The first chord of the new mode. */
  readonly at: number;
  readonly leaves: readonly Fifths[];
  readonly takes: readonly Fifths[];
}

/**
 * The changes of an analysis in order.
 *
 * @example changesOf(E Dorian, then E Aeolian from bar 5) // at 4, leaves C♯, takes C
 */
export function changesOf({ segments }: ChartAnalysis): readonly Change[] {
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
