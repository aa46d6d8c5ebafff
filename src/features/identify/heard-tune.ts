import type { Identification } from "@/core/identify";
import { type Fifths, soundOf } from "@/core/pitch";
import { characteristicSwap, type Swap, type ComparedBy } from "@/core/scale";
import { allNotes, type BarRange, type Tune } from "@/core/tune";

/** Places at which a sound is heard, whatever it is called: in the bars that an answer is about, but for notes left out. */
export const placesOf = (
  tune: Tune,
  name: Fifths,
  bars: BarRange | undefined,
  without: ReadonlySet<number>,
): readonly number[] =>
  allNotes(tune).flatMap(({ pitch, bar }, at) => {
    const isIn = !bars || (bar >= bars.from && bar <= bars.to);
    return isIn && !without.has(at) && soundOf(pitch.name) === soundOf(name) ? [at] : [];
  });

/** The swap of the characteristic note, where the tune has that note: without it there would be nothing to hear. */
export function heardSwap(
  { homeMode: { home, mode }, hearing }: Identification,
  comparedBy: ComparedBy,
): Swap | undefined {
  const swap = characteristicSwap(mode, comparedBy);
  return swap && hearing.names[soundOf(home + swap.from)] !== undefined ? swap : undefined;
}
