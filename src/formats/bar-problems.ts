import type { Problem } from "@/core/problem";

/** Bars that are named for the same thing: more say nothing new. */
const MAX_NAMED = 20;

/**
 * Names what a note of a bar is that a tune can't hold, once a bar: a quarter tone, for which the reader takes the half step beside it, or
 * a length that is cut.
 *
 * @param bar its place, from 0
 */
export function nameInBar(
  problems: Problem[],
  code: "quarter-tones" | "note-too-long",
  found: string,
  bar: number,
  offset = 0,
): void {
  const named = problems.filter((problem) => problem.code === code);
  const expected = String(bar + 1);
  if (named.length >= MAX_NAMED || named.at(-1)?.expected === expected) return;
  problems.push({ code, offset, length: 1, found, expected });
}
