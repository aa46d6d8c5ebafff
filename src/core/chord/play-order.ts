/** What a bar says about where to go on: repeats opened and closed, and the endings that it belongs to. */
export interface BarSigns {
  /** A repeat goes back to here. */
  readonly opens: boolean;
  /** How often the stretch that ends here is played, 1 where nothing is repeated. */
  readonly times: number;
  /** The rounds in which an ending is played; none where the bar is played in all. */
  readonly endings: readonly number[];
}

/**
 * The order in which bars are played, with repeats and endings taken. A repeat that was never opened goes back to where the
 * last one ended, or to the start.
 *
 * @param most bars at most, however many repeats there are
 * @example playOrder(bars of "|: A |1. B :|2. C |", 100) // [0, 1, 0, 2]
 */
export function playOrder(bars: readonly BarSigns[], most: number): readonly number[] {
  const order: number[] = [];
  let start = 0;
  let round = 1;
  let at = 0;
  while (at < bars.length && order.length < most) {
    const bar = bars[at];
    if (!bar) break;
    const leavesEndings = round > 1 && at > start && bar.endings.length === 0 && isInEnding(bars[at - 1]);
    if ((bar.opens && at !== start) || leavesEndings) {
      start = at;
      round = 1;
    }
    if (bar.endings.length > 0 && !bar.endings.includes(round)) {
      at += 1;
      continue;
    }
    order.push(at);
    if (bar.times > 1 && (isInEnding(bar) ? hasEnding(bars, start, round + 1) : round < bar.times)) {
      round += 1;
      at = start;
      continue;
    }
    if (bar.times > 1 && !isInEnding(bar)) {
      start = at + 1;
      round = 1;
    }
    at += 1;
  }
  return order;
}

/** Whether the stretch from a bar on has an ending for a round. */
function hasEnding(bars: readonly BarSigns[], start: number, round: number): boolean {
  const next = bars.findIndex(({ opens }, at) => opens && at > start);
  return bars.slice(start, next < 0 ? undefined : next).some(({ endings }) => endings.includes(round));
}

const isInEnding = (bar: BarSigns | undefined) => bar !== undefined && bar.endings.length > 0;
