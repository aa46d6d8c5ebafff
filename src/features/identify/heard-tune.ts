import type { Identification } from "@/core/identify";
import { soundOf } from "@/core/pitch";
import { characteristicSwap, type ReferenceChoice, type Swap } from "@/core/scale";
import { allNotes, type BarRange } from "@/core/tune";
import { fromStaff, type StaffPart } from "@/session/stage/staff-part";

/**
 * Places in the tune at which each sound stands on the staff, 0 is C, whatever it is called: in the bars that an answer is about, but for
 * notes left out.
 */
export function placesBySound(
  shown: StaffPart,
  bars: BarRange | undefined,
  without: ReadonlySet<number>,
): readonly (readonly number[])[] {
  const places = Array.from({ length: 12 }, (): number[] => []);
  for (const [there, { pitch, bar }] of allNotes(shown.engraved).entries()) {
    const at = fromStaff(shown, there);
    const place = bar + (shown.from ?? 0);
    if ((!bars || (place >= bars.from && place <= bars.to)) && !without.has(at))
      places[soundOf(pitch.name)]?.push(at);
  }
  return places;
}

/** The swap of the characteristic note, where the tune has that note: without it there would be nothing to hear. */
export function heardSwap(
  { homeMode: { home, mode }, hearing }: Identification,
  conventions: ReferenceChoice,
): Swap | undefined {
  const swap = characteristicSwap(mode, conventions);
  return swap && hearing.names[soundOf(home + swap.from)] !== undefined ? swap : undefined;
}
