import { type Interval, soundOf } from "../pitch";
import type { Mode } from "../scale";

/** A stack of fourths on a degree: its notes as intervals from home, rising, and whether every fourth is perfect. */
export interface FourthStack {
  readonly degree: Interval;
  readonly notes: readonly Interval[];
  readonly perfect: boolean;
}

/** How many notes are stacked. */
export const FOURTH_COUNTS = [3, 4, 5] as const;

/**
 * Stacks of so many fourths from each degree. Seven notes are stacked letter by letter, whatever the size of the fourth;
 * other scales only where each next perfect fourth is in them.
 *
 * @example fourthStacks(dorian, 3)[0] // 1 4 ♭7, perfect
 */
export function fourthStacks(mode: Mode, count: number): readonly FourthStack[] {
  const { intervals } = mode;
  return intervals.flatMap((degree, at) => {
    const notes: (Interval | undefined)[] =
      intervals.length === 7
        ? Array.from({ length: count }, (_, fourth) => intervals[(at + 3 * fourth) % 7])
        : Array.from({ length: count }, (_, fourth) =>
            intervals.find((interval) => soundOf(interval) === soundOf(degree - fourth)),
          );
    if (!notes.every((note) => note !== undefined)) return [];
    const perfect = notes.every(
      (note, place) => place === 0 || soundOf(note - (notes[place - 1] ?? 0)) === PERFECT_FOURTH,
    );
    return [{ degree, notes, perfect }];
  });
}

const PERFECT_FOURTH = 5;
