import type { Attempt } from "./attempt";
import { namesMode } from "./statistics";

/** Two modes that are mixed up, and how far they are told apart again. */
export interface MixedPair {
  readonly modes: readonly [string, string];
  /** How often one was taken for the other, of how many questions in which either was right. */
  readonly times: number;
  readonly of: number;
  /** Different days on which they were told apart since. */
  readonly days: number;
}

/** Two modes count as mixed up from so many times on, and as told apart after so many days. */
const [MIXED_UP, DAYS_APART] = [2, 3];

/** Right answers to questions about the two alone that make a day count, with none wrong. */
const RIGHT_A_DAY = 2;

/**
 * Pairs of modes that are mixed up and not yet told apart on three different days, the most often mixed up first.
 *
 * @param attempts in the order of their times
 * @param dayOf the day of a time, counted from any day on
 * @example mixedPairs(attempts, dayNumber)[0] // { modes: ["aeolian", "dorian"], times: 5, of: 12, days: 1 }
 */
export function mixedPairs(
  attempts: readonly Attempt[],
  dayOf: (at: number) => number,
): readonly MixedPair[] {
  const naming = attempts.filter(namesMode);
  const mixed = new Map<string, { readonly modes: readonly [string, string]; times: number; last: number }>();
  for (const { right, given, isRight, at } of naming) {
    if (isRight) continue;
    const modes: readonly [string, string] = right < given ? [right, given] : [given, right];
    const known = mixed.get(modes.join(" ")) ?? { modes, times: 0, last: at };
    mixed.set(modes.join(" "), { modes, times: known.times + 1, last: at });
  }
  return [...mixed.values()]
    .filter(({ times }) => times >= MIXED_UP)
    .map(({ modes, times, last }) => ({
      modes,
      times,
      of: naming.filter(({ right }) => modes.includes(right)).length,
      days: daysApart(naming, modes, last, dayOf),
    }))
    .filter(({ days }) => days < DAYS_APART)
    .toSorted((a, b) => b.times - a.times || (a.modes.join() < b.modes.join() ? -1 : 1));
}

/** Days after the last mix-up on which the two alone were asked and every answer was right. */
function daysApart(
  naming: readonly Attempt[],
  modes: readonly [string, string],
  last: number,
  dayOf: (at: number) => number,
): number {
  const counts = new Map<number, number>();
  for (const { at, choices = [], isRight } of naming) {
    const isPair = choices.length === 2 && modes.every((id) => choices.includes(id));
    if (at > last && isPair && isRight) counts.set(dayOf(at), (counts.get(dayOf(at)) ?? 0) + 1);
  }
  return [...counts.values()].filter((right) => right >= RIGHT_A_DAY).length;
}
