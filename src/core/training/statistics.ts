import type { Attempt } from "./attempt";

/** How often one thing was taken for another. */
export interface Confusion {
  readonly right: string;
  readonly given: string;
  readonly times: number;
  /** Questions in which the first was right. */
  readonly of: number;
  /** Between which shares it lies in nineteen of twenty cases. */
  readonly between: readonly [number, number];
}

/** Two standard deviations take in nineteen of twenty. */
const Z = 1.96;

/**
 * Between which shares the true one lies, in 19 of 20 cases: Wilson's interval, which holds for small counts too (E. B. Wilson, 1927).
 *
 * @example shareBetween(7, 20) // [0.181, 0.567]
 */
export function shareBetween(times: number, of: number): readonly [number, number] {
  if (of === 0) return [0, 1];
  const share = times / of;
  const middle = (share + (Z * Z) / (2 * of)) / (1 + (Z * Z) / of);
  const reach = (Z / (1 + (Z * Z) / of)) * Math.sqrt((share * (1 - share)) / of + (Z * Z) / (4 * of * of));
  return [Math.max(0, middle - reach), Math.min(1, middle + reach)];
}

/** A bound that is right in nine of ten cases, on one side. */
const Z_ONE_SIDED = 1.2816;

/**
 * The share of right answers that is sure at nine tenths' confidence: Wilson's lower bound, one-sided. 0 without any answer.
 *
 * @example lowerBound(20, 24) // 0.715
 */
export function lowerBound(right: number, of: number): number {
  if (of === 0) return 0;
  const share = right / of;
  const square = Z_ONE_SIDED * Z_ONE_SIDED;
  const reach = Z_ONE_SIDED * Math.sqrt((share * (1 - share)) / of + square / (4 * of * of));
  return Math.max(0, (share + square / (2 * of) - reach) / (1 + square / of));
}

/** Whether an attempt named a mode. */
export const namesMode = ({ card }: Attempt): boolean =>
  ["mode", "two", "pair", "chords-mode"].includes(card.question);

/** What was taken for what, the most often first. Only questions that ask for a mode's name count. */
export function confusions(attempts: readonly Attempt[]): readonly Confusion[] {
  const asked = new Map<string, number>();
  const taken = new Map<string, { right: string; given: string; times: number }>();
  for (const attempt of attempts) {
    if (!namesMode(attempt)) continue;
    const { right, given, isRight } = attempt;
    asked.set(right, (asked.get(right) ?? 0) + 1);
    if (isRight) continue;
    const key = `${right} ${given}`;
    const known = taken.get(key) ?? { right, given, times: 0 };
    taken.set(key, { ...known, times: known.times + 1 });
  }
  return [...taken.values()]
    .map((each) => {
      const of = asked.get(each.right) ?? 0;
      return { ...each, of, between: shareBetween(each.times, of) };
    })
    .toSorted((a, b) => b.times - a.times || (a.right < b.right ? -1 : 1));
}

/** Questions about a mode below which nothing is said of it. */
const ENOUGH = 10;

/** The least share, at its lower bound, that counts as a habit. */
const HABIT = 0.1;

/** What is taken for what by habit: asked often enough, and more often wrong than by chance. */
export const habits = (attempts: readonly Attempt[]): readonly Confusion[] =>
  confusions(attempts).filter(({ of, between }) => of >= ENOUGH && between[0] >= HABIT);

/** How often a habit came up in the earlier and in the later half of its questions; undefined where a half has too few. */
export function halvesOf(
  attempts: readonly Attempt[],
  { right, given }: Pick<Confusion, "right" | "given">,
): readonly [earlier: Pick<Confusion, "times" | "of">, later: Pick<Confusion, "times" | "of">] | undefined {
  const asked = attempts.filter((each) => namesMode(each) && each.right === right);
  const middle = Math.floor(asked.length / 2);
  if (middle < ENOUGH) return undefined;
  const counted = (half: readonly Attempt[]) => ({
    times: half.filter((each) => !each.isRight && each.given === given).length,
    of: half.length,
  });
  return [counted(asked.slice(0, middle)), counted(asked.slice(middle))];
}

/** Right answers and all, in a row of equal stretches of time: whether it gets better. */
export function trend(
  attempts: readonly Attempt[],
  from: number,
  to: number,
  stretches: number,
): readonly { readonly right: number; readonly of: number }[] {
  const counts = Array.from({ length: stretches }, () => ({ right: 0, of: 0 }));
  for (const { at, isRight } of attempts) {
    if (at < from || at >= to) continue;
    const count = counts[Math.floor(((at - from) / (to - from)) * stretches)];
    if (!count) continue;
    count.of += 1;
    if (isRight) count.right += 1;
  }
  return counts;
}

/** The middle one of the times to a right answer, in milliseconds; undefined without any. */
export function typicalTime(attempts: readonly Attempt[]): number | undefined {
  const took = attempts
    .flatMap(({ isRight, took: each }) => (isRight ? [each] : []))
    .toSorted((a, b) => a - b);
  return took[Math.floor(took.length / 2)];
}
