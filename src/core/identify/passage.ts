import type { HomeMode } from "../scale";
import type { BarRange, Tune } from "../tune";

/** A run of bars in one home and mode. Bars are numbered as the tune numbers them, both ends counted. */
export interface Passage {
  readonly fromBar: number;
  readonly toBar: number;
  /** The same bars by their places. */
  readonly bars: BarRange;
  readonly homeMode: HomeMode;
}

/** A passage of a tune by the places of its bars. */
export function passageAt(tune: Tune, bars: BarRange, homeMode: HomeMode): Passage {
  const number = (bar: number) => Math.max(1, tune.bars[bar]?.number ?? bar + 1);
  return { fromBar: number(bars.from), toBar: number(bars.to), bars, homeMode };
}
