/** Work that begins in turn. */
export interface Turns {
  /**
   * Waits for a turn of a client's; resolves with what gives the place back, to be told how many seconds of a processor the work had.
   * Rejects where the wait was called off.
   */
  readonly take: (client: string, calledOff: AbortSignal) => Promise<(seconds: number) => void>;
}

/** In so many milliseconds half of what a client had is forgotten. */
const HALF_LIFE = 10_000;

/** A client that had more than so many seconds of a processor lately leaves one place to the others. */
const HEAVY = 0.25;

/** What each client had of the processors lately, in seconds. A client that had next to nothing isn't remembered. */
function recentUse(now: () => number) {
  const had = new Map<string, { readonly seconds: number; readonly at: number }>();
  const of = (client: string): number => {
    const { seconds, at } = had.get(client) ?? { seconds: 0, at: 0 };
    return seconds * 0.5 ** ((now() - at) / HALF_LIFE);
  };
  return {
    of,
    add: (client: string, seconds: number) => {
      for (const each of had.keys()) if (of(each) < HEAVY / 100) had.delete(each);
      had.set(client, { seconds: of(client) + seconds, at: now() });
    },
  };
}

/**
 * Turns for so many pieces of work at once. The next is always of the client that had least of the processors lately, what it has under
 * way included; among equals, of the one that has waited longest. Clients that had much never take the last place. Whoever sends a
 * hundred pieces, or one that takes long, is in nobody's way but its own.
 *
 * @param now the time in milliseconds
 * @example const turns = fairTurns(2); const leave = await turns.take("a", signal); …; leave(0.03)
 */
export function fairTurns(atOnce: number, now: () => number = () => performance.now()): Turns {
  /** In the order in which they came. */
  const waiting: { readonly client: string; readonly begin: () => void }[] = [];
  const under = new Map<string, number>();
  const use = recentUse(now);
  let all = 0;

  /** What counts against a client: each piece under way as if it took what makes a client heavy. */
  const weight = (client: string) => use.of(client) + (under.get(client) ?? 0) * HEAVY;
  const isHeavy = (client: string) => use.of(client) > HEAVY;

  const next = () => {
    while (all < atOnce) {
      const isLast = atOnce > 1 && all === atOnce - 1;
      const [chosen] = waiting
        .filter(({ client }) => !(isLast && isHeavy(client)))
        .sort((a, b) => weight(a.client) - weight(b.client));
      if (!chosen) return;
      waiting.splice(waiting.indexOf(chosen), 1);
      under.set(chosen.client, (under.get(chosen.client) ?? 0) + 1);
      all += 1;
      chosen.begin();
    }
  };

  const leaver = (client: string) => {
    let isOver = false;
    return (seconds: number) => {
      if (isOver) return;
      isOver = true;
      all -= 1;
      use.add(client, seconds);
      const count = (under.get(client) ?? 1) - 1;
      if (count > 0) under.set(client, count);
      else under.delete(client);
      next();
    };
  };

  return {
    take: (client, calledOff) =>
      new Promise((resolve, reject) => {
        const mine = {
          client,
          begin: () => {
            calledOff.removeEventListener("abort", giveUp);
            resolve(leaver(client));
          },
        };
        const giveUp = () => {
          if (waiting.includes(mine)) waiting.splice(waiting.indexOf(mine), 1);
          reject(new Error("called off"));
        };
        if (calledOff.aborted) {
          reject(new Error("called off"));
          return;
        }
        calledOff.addEventListener("abort", giveUp, { once: true });
        waiting.push(mine);
        next();
      }),
  };
}
