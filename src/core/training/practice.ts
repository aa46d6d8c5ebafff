/** A piece of practice: what it was, when it began, how long it took. */
export interface PieceOfPractice {
  /** Milliseconds since 1970. */
  readonly at: number;
  readonly seconds: number;
  readonly kind: string;
  readonly mode?: string | undefined;
  readonly tempo?: number | undefined;
}

/** Seconds by name, the most first. */
export function secondsBy<T extends PieceOfPractice>(
  pieces: readonly T[],
  name: (piece: T) => string | undefined,
): readonly { readonly name: string; readonly seconds: number }[] {
  const sums = new Map<string, number>();
  for (const piece of pieces) {
    const key = name(piece);
    if (key !== undefined) sums.set(key, (sums.get(key) ?? 0) + piece.seconds);
  }
  return [...sums]
    .map(([key, seconds]) => ({ name: key, seconds }))
    .toSorted((a, b) => b.seconds - a.seconds || (a.name < b.name ? -1 : 1));
}

/**
 * Days in a row up to today on which something was done; a day that isn't over yet doesn't break the row.
 *
 * @param days numbers of days on which something was done, in any order
 * @param today the number of this day
 */
export function daysInARow(days: ReadonlySet<number>, today: number): number {
  let day = days.has(today) ? today : today - 1;
  let count = 0;
  while (days.has(day)) {
    count += 1;
    day -= 1;
  }
  return count;
}

/** Minutes of playing after which the hands should rest, and for how long. */
export const REST = { after: 25, minutes: 5 } as const;

/**
 * Whether it is time to rest: so many minutes were played since the last rest.
 *
 * @param played stretches of playing, in order, in milliseconds since 1970
 */
export function isTimeToRest(played: readonly { readonly from: number; readonly to: number }[]): boolean {
  let sum = 0;
  let last: number | undefined;
  for (const { from, to } of played) {
    if (last !== undefined && from - last >= REST.minutes * 60_000) sum = 0;
    sum += Math.max(0, to - from);
    last = to;
  }
  return sum >= REST.after * 60_000;
}
