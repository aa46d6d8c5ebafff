/** Work that begins in turn. */
export interface Turns {
  /** Waits for a turn of a client's; resolves with what gives the place back. Rejects where the wait was called off. */
  readonly take: (client: string, calledOff: AbortSignal) => Promise<() => void>;
}

/**
 * Turns for so many pieces of work at once. The next is always of the client that has the fewest under way, and among those of the one
 * that has waited longest: whoever sends a hundred pieces is in nobody's way but its own.
 *
 * @example const turns = fairTurns(2); const leave = await turns.take("a", signal); …; leave()
 */
export function fairTurns(atOnce: number): Turns {
  const waiting = new Map<string, (() => void)[]>();
  const under = new Map<string, number>();
  /** When each client that waits or has something under way had its last turn, counted in turns. */
  const lastTurn = new Map<string, number>();
  let turn = 0;
  let all = 0;

  const next = () => {
    while (all < atOnce) {
      let chosen: { readonly client: string; readonly count: number; readonly last: number } | undefined;
      for (const client of waiting.keys()) {
        const [count, last] = [under.get(client) ?? 0, lastTurn.get(client) ?? 0];
        if (!chosen || count < chosen.count || (count === chosen.count && last < chosen.last))
          chosen = { client, count, last };
      }
      if (!chosen) return;
      const { client, count } = chosen;
      const [first, ...rest] = waiting.get(client) ?? [];
      waiting.delete(client);
      if (rest.length > 0) waiting.set(client, rest);
      if (!first) continue;
      under.set(client, count + 1);
      lastTurn.set(client, (turn += 1));
      all += 1;
      first();
    }
  };

  const leaver = (client: string) => {
    let isOver = false;
    return () => {
      if (isOver) return;
      isOver = true;
      all -= 1;
      const count = (under.get(client) ?? 1) - 1;
      if (count > 0) under.set(client, count);
      else under.delete(client);
      if (count <= 0 && !waiting.has(client)) lastTurn.delete(client);
      next();
    };
  };

  return {
    take: (client, calledOff) =>
      new Promise((resolve, reject) => {
        const begin = () => {
          calledOff.removeEventListener("abort", giveUp);
          resolve(leaver(client));
        };
        const giveUp = () => {
          const others = (waiting.get(client) ?? []).filter((each) => each !== begin);
          if (others.length > 0) waiting.set(client, others);
          else waiting.delete(client);
          reject(new Error("called off"));
        };
        if (calledOff.aborted) {
          reject(new Error("called off"));
          return;
        }
        calledOff.addEventListener("abort", giveUp, { once: true });
        waiting.set(client, [...(waiting.get(client) ?? []), begin]);
        next();
      }),
  };
}
