import type { Settings } from "@/storage";
import type { Pulse } from "./score";

/** How bars of five and of seven beats fall into groups: "3+2" counts one two three, one two. */
export type BeatGrouping = Readonly<Pick<Settings, "fives" | "sevens">>;

export const USUAL_GROUPING: BeatGrouping = { fives: "3+2", sevens: "2+2+3" };

/**
 * The groups that so many beats fall into: five and seven as they are chosen, threes where these fill it, otherwise twos with a three at the end.
 *
 * @example beatGroups(7, { fives: "3+2", sevens: "3+2+2" }) // [3, 2, 2]
 */
export function beatGroups(count: number, { fives, sevens }: BeatGrouping): readonly number[] {
  if (count === 5) return fives.split("+").map(Number);
  if (count === 7) return sevens.split("+").map(Number);
  if (count <= 3) return [count];
  if (count % 3 === 0) return Array.from({ length: count / 3 }, () => 3);
  const twos = Array.from({ length: Math.floor(count / 2) }, () => 2);
  return count % 2 === 0 ? twos : [...twos.slice(0, -1), 3];
}

/** The beats on which groups begin, from 0. @example groupStarts([3, 2]) // [0, 3] */
export function groupStarts(groups: readonly number[]): readonly number[] {
  let at = 0;
  return groups.map((length) => {
    const start = at;
    at += length;
    return start;
  });
}

/** How strong a beat is in its bar: the first, one that begins a group of five or seven beats, any other. */
export type BeatStrength = "first" | "group" | "beat";

/** How strong each pulse is: only bars of five and seven have groups that are heard, any other has its first beat. */
export function strengths(pulses: readonly Pulse[], grouping: BeatGrouping): readonly BeatStrength[] {
  const barlines = pulses.flatMap(({ isFirst }, at) => (isFirst ? [at] : []));
  const found = pulses.map(({ isFirst }): BeatStrength => (isFirst ? "first" : "beat"));
  for (const [nth, from] of barlines.entries()) {
    const count = (barlines[nth + 1] ?? pulses.length) - from;
    if (count !== 5 && count !== 7) continue;
    for (const start of groupStarts(beatGroups(count, grouping)).slice(1)) found[from + start] = "group";
  }
  return found;
}
