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

/** A client whose pieces take more than so many seconds of a processor leaves one place to the others. */
const LONG = 0.08;

/** How much of the longest piece of a client's counts for the next: it is forgotten after a few short ones. */
const REMEMBERED = 0.8;

/** What a client had of the processors. */
interface Use {
  /** All that it had lately, in seconds, as of a time. */
  readonly seconds: number;
  readonly at: number;
  /** What one of its pieces takes, the longest of late. */
  readonly piece: number;
}

/** What each client had of the processors lately. A client that had next to nothing isn't remembered. */
function recentUse(now: () => number) {
  const had = new Map<string, Use>();
  const of = (client: string): number => {
    const { seconds, at } = had.get(client) ?? { seconds: 0, at: 0 };
    return seconds * 0.5 ** ((now() - at) / HALF_LIFE);
  };
  const pieceOf = (client: string) => had.get(client)?.piece ?? 0;
  return {
    of,
    isLong: (client: string) => pieceOf(client) > LONG,
    add: (client: string, seconds: number) => {
      for (const each of had.keys()) if (of(each) < LONG / 100) had.delete(each);
      const piece = Math.max(seconds, pieceOf(client) * REMEMBERED);
      had.set(client, { seconds: of(client) + seconds, at: now(), piece });
    },
  };
}

/**
 * Turns for so many pieces of work at once. The next is always of the client that had least of the processors lately, what it has under
 * way included; among equals, of the one that has waited longest. Clients whose pieces take long never take the last place. Whoever sends
 * a hundred pieces, or one that takes long, is in nobody's way but its own.
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

  /** What counts against a client: each piece under way as if it took long. */
  const weight = (client: string) => use.of(client) + (under.get(client) ?? 0) * LONG;

  const next = () => {
    while (all < atOnce) {
      const isLast = atOnce > 1 && all === atOnce - 1;
      const [chosen] = waiting
        .filter(({ client }) => !(isLast && use.isLong(client)))
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
