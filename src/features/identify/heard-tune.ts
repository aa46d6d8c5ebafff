import type { Identification } from "@/core/identify";
import { soundOf } from "@/core/pitch";
import { characteristicSwap, type Swap, type ComparedBy } from "@/core/scale";
import { allNotes, type BarRange, type Tune } from "@/core/tune";

/** Places at which each sound is heard, 0 is C, whatever it is called: in the bars that an answer is about, but for notes left out. */
export function placesBySound(
  tune: Tune,
  bars: BarRange | undefined,
  without: ReadonlySet<number>,
): readonly (readonly number[])[] {
  const places = Array.from({ length: 12 }, (): number[] => []);
  for (const [at, { pitch, bar }] of allNotes(tune).entries())
    if ((!bars || (bar >= bars.from && bar <= bars.to)) && !without.has(at))
      places[soundOf(pitch.name)]?.push(at);
  return places;
}

/** The swap of the characteristic note, where the tune has that note: without it there would be nothing to hear. */
export function heardSwap(
  { homeMode: { home, mode }, hearing }: Identification,
  comparedBy: ComparedBy,
): Swap | undefined {
  const swap = characteristicSwap(mode, comparedBy);
  return swap && hearing.names[soundOf(home + swap.from)] !== undefined ? swap : undefined;
}
