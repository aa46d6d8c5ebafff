import type { Identification } from "@/core/identify";
import { type Fifths, soundOf } from "@/core/pitch";
import { colourSwap, type Swap, type Telling } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";

/** Places at which a sound is heard, whatever it is called. */
export const placesOf = (tune: Tune, name: Fifths): readonly number[] =>
  allNotes(tune).flatMap(({ pitch }, at) => (soundOf(pitch.name) === soundOf(name) ? [at] : []));

/** The swap of the colour note, where the tune has that note: without it there would be nothing to hear. */
export function heardSwap(
  { homeMode: { home, mode }, hearing }: Identification,
  telling: Telling,
): Swap | undefined {
  const swap = colourSwap(mode, telling);
  return swap && hearing.names[soundOf(home + swap.from)] !== undefined ? swap : undefined;
}

/** The staff in words. */
export const staffText = (title: string, notes: number, phrases: number) =>
  `${title || "Tune"}, engraved: ${notes} notes in ${phrases} phrases, colour notes notched, phrase ends barred below`;
