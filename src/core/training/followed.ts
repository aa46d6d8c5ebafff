import { modulo } from "../pitch";
import { offOf, MAX_OFF } from "./grade-sung";

/** A line that was sung along with, followed note by note. */
export interface Followed {
  /** For each note of the line which of the sung ones it is, by its place, and how many cents beside it; none where it was left out. */
  readonly notes: readonly (
    { readonly at: number; readonly isRight: boolean; readonly cents: number } | undefined
  )[];
  readonly right: number;
  /** Cents that all of it lay off, which are taken off. */
  readonly cents: number;
}

/**
 * Follows a line through what was sung, in whatever octave: the way through both on which fewest notes differ, are left out or come beside
 * (Needleman and Wunsch 1970). What is the same throughout is taken off, up to nearly a half step.
 *
 * @param midis the notes of the line
 * @param heights half steps as MIDI counts them, not rounded
 * @example followed([60, 62, 64], [59.6, 61.6, 63.6]).right // 3, and cents is -40
 */
export function followed(midis: readonly number[], heights: readonly number[]): Followed {
  const off = heights.length === 0 ? 0 : offOf(heights);
  const ways = [off, off - 1, off + 1]
    .filter((each) => Math.abs(each) <= MAX_OFF)
    .map((each) => followedAt(midis, heights, each))
    .toSorted((a, b) => b.right - a.right || Math.abs(a.cents) - Math.abs(b.cents));
  return ways[0] ?? { notes: midis.map(() => undefined), right: 0, cents: 0 };
}

/** What a note that differs costs, one that was left out, one that came beside. */
const COSTS = { differs: 1.2, leftOut: 1, beside: 1 };

function followedAt(midis: readonly number[], heights: readonly number[], off: number): Followed {
  const tuned = heights.map((height) => height - off);
  const isSame = (a: number, b: number) => modulo(Math.round(tuned[b] ?? 0) - (midis[a] ?? 0), 12) === 0;
  const width = heights.length + 1;
  const costs = new Float64Array((midis.length + 1) * width);
  for (let a = 0; a <= midis.length; a += 1)
    for (let b = 0; b <= heights.length; b += 1) {
      if (a === 0 && b === 0) continue;
      const at = (i: number, j: number) => costs[i * width + j] ?? Infinity;
      costs[a * width + b] = Math.min(
        a > 0 && b > 0 ? at(a - 1, b - 1) + (isSame(a - 1, b - 1) ? 0 : COSTS.differs) : Infinity,
        a > 0 ? at(a - 1, b) + COSTS.leftOut : Infinity,
        b > 0 ? at(a, b - 1) + COSTS.beside : Infinity,
      );
    }
  const notes: Followed["notes"][number][] = midis.map(() => undefined);
  let [a, b, right] = [midis.length, heights.length, 0];
  while (a > 0 && b > 0) {
    const cost = costs[a * width + b] ?? 0;
    const isRight = isSame(a - 1, b - 1);
    const diagonal = (costs[(a - 1) * width + b - 1] ?? 0) + (isRight ? 0 : COSTS.differs);
    if (Math.abs(cost - diagonal) < 1e-9) {
      const height = tuned[b - 1] ?? 0;
      notes[a - 1] = { at: b - 1, isRight, cents: Math.round((height - Math.round(height)) * 100) };
      right += isRight ? 1 : 0;
      a -= 1;
      b -= 1;
    } else if (Math.abs(cost - (costs[(a - 1) * width + b] ?? 0) - COSTS.leftOut) < 1e-9) a -= 1;
    else b -= 1;
  }
  return { notes, right, cents: Math.round(off * 100) || 0 };
}
