import { holds } from "../scale";
import type { MelodyHearing } from "./melody-hearing";

/** Two neighbouring triads that a tune alternates between: the upper is its home, the lower a whole tone beneath it is major. */
export interface DoubleTonic {
  /** Sounding pitch classes of their roots. */
  readonly upper: number;
  readonly lower: number;
  readonly isMinor: boolean;
}

/**
 * Of the bars, so many outline a triad; of these the two take so many, each of them so many; they change places so often. As fiddlers tell such
 * tunes: the one chord and its neighbour, alternating from the first strain on.
 */
const ALTERNATES = { outlined: 0.6, both: 0.85, each: 0.3, times: 3, bars: 6 };

/**
 * Whether a tune alternates between the triads on two neighbouring notes, as many fiddle tunes do.
 *
 * @example doubleTonicOf(A minor, G, A minor, G …) // { upper: 9, lower: 7, isMinor: true }
 */
export function doubleTonicOf({ triads, wholeBars }: MelodyHearing): DoubleTonic | undefined {
  if (triads.length < Math.max(ALTERNATES.bars, ALTERNATES.outlined * wholeBars)) return undefined;
  const counts = new Map<number, number>();
  for (const { root } of triads) counts.set(root, (counts.get(root) ?? 0) + 1);
  const [first, second] = [...counts].sort((a, b) => b[1] - a[1]);
  if (!first || !second || first[1] + second[1] < ALTERNATES.both * triads.length) return undefined;
  if (second[1] < ALTERNATES.each * triads.length) return undefined;
  const upper = (second[0] + 2) % 12 === first[0] ? first[0] : second[0];
  const lower = upper === first[0] ? second[0] : first[0];
  if ((lower + 2) % 12 !== upper) return undefined;
  const both = triads.filter(({ root }) => root === upper || root === lower);
  const changes = both.filter(({ root }, at) => at > 0 && root !== both[at - 1]?.root).length;
  const thirdOf = (root: number, steps: number) =>
    both.every((triad) => triad.root !== root || holds(triad.sounds, root + steps));
  const isMinor = thirdOf(upper, MINOR);
  if (changes < ALTERNATES.times || !thirdOf(lower, MAJOR) || (!isMinor && !thirdOf(upper, MAJOR)))
    return undefined;
  return { upper, lower, isMinor };
}

/** Half steps of the thirds. */
const [MINOR, MAJOR] = [3, 4];
