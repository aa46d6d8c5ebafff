import type { Interval } from "../pitch";
import { holds, type Mode } from "../scale";

/** "alt": both ninths and the flat thirteenth over a dominant seventh without its fifth. */
export const ALTERED_CHORD: readonly Interval[] = [0, 4, -2, -5, 9, -4];

/**
 * The home chord of a mode that is played as a dominant though its third by letter is minor: what sounds as its fourth is the
 * dominant's third. The altered scale is the best known. Undefined for every other mode.
 *
 * @example dominantHome(mode("altered")) // 1 3 ♭7 ♭9 ♯9 ♭13
 * @example dominantHome(mode("phrygian-flat4")) // 1 3 5 ♭7 ♭9 ♯9 ♭13
 */
export function dominantHome({ intervals, sounds }: Mode): readonly Interval[] | undefined {
  const isDominant = holds(sounds, 4) && holds(sounds, 10) && !intervals.includes(4);
  if (!isDominant || intervals.length !== 7) return undefined;
  const upper = (
    [
      [1, -5],
      [2, 2],
      [3, 9],
      [8, -4],
      [9, 3],
    ] as const
  ).flatMap(([sound, tone]) => (holds(sounds, sound) ? [tone] : []));
  return [0, 4, ...(holds(sounds, 7) ? [1] : []), -2, ...upper];
}
