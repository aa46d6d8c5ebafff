import type { Attempt } from "./attempt";

/** Milliseconds that a question takes where nothing is known yet, with hearing it and reading the answer. */
const USUAL_TAKES = 20_000;

/** Milliseconds beside the answer itself. */
const AROUND = 9000;

/**
 * How many questions fit into some minutes, by how long the last answers took.
 *
 * @example questionsIn(10, []) // 30
 */
export function questionsIn(minutes: number, attempts: readonly Attempt[]): number {
  const took = attempts.slice(-40).map((each) => Math.min(each.took, 60_000));
  const each = took.length < 8 ? USUAL_TAKES : AROUND + took.reduce((sum, one) => sum + one, 0) / took.length;
  return Math.max(4, Math.round((minutes * 60_000) / each));
}
