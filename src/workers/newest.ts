/**
 * Asks one thing at a time. While one is being answered only the newest of those that come meanwhile waits; the others are answered
 * with undefined, since nobody waits for them any more.
 *
 * @example const read = newestWins(ask); await Promise.all([read("C"), read("C G"), read("C G Am")]) // [answer, undefined, answer]
 */
export function newestWins<A, R>(ask: (asked: A) => Promise<R>): (asked: A) => Promise<R | undefined> {
  let isBusy = false;
  let waiting: { readonly asked: A; readonly settle: (isNext: boolean) => void } | undefined;
  return async (asked) => {
    if (isBusy) {
      waiting?.settle(false);
      const isNext = await new Promise<boolean>((settle) => {
        waiting = { asked, settle };
      });
      if (!isNext) return undefined;
    }
    isBusy = true;
    try {
      return await ask(asked);
    } finally {
      isBusy = false;
      const next = waiting;
      waiting = undefined;
      next?.settle(true);
    }
  };
}
