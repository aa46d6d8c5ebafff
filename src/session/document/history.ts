/** What something is now, what it was before, and what was undone. Values are shared, never changed. */
export interface History<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
}

/** The beginning of a history. */
export const begun = <T>(now: T, past: readonly T[] = []): History<T> => ({ past, now, future: [] });

/** Steps that are remembered. */
const MAX_STEPS = 1000;

/** The next value. As part of the step before it, undo goes back over both at once. */
export function changed<T>({ past, now }: History<T>, next: T, isSameStep = false): History<T> {
  return { past: isSameStep ? past : [...past, now].slice(-MAX_STEPS), now: next, future: [] };
}

/** One step back; the same history where there is none. */
export function undone<T>(history: History<T>): History<T> {
  const { past, now, future } = history;
  if (past.length === 0) return history;
  return { past: past.slice(0, -1), now: past.at(-1) as T, future: [now, ...future] };
}

/** One step forward again; the same history where there is none. */
export function redone<T>(history: History<T>): History<T> {
  const { past, now, future } = history;
  if (future.length === 0) return history;
  return { past: [...past, now], now: future[0] as T, future: future.slice(1) };
}
