import type { Instrument, Tuning } from "@/core/instrument";
import { midiOf } from "@/core/pitch";
import { writeAbcPitch } from "@/formats";
import type { Tablature } from "@/shell/tune";

/** The engraver's names for tablature of so many strings, whatever they are tuned to. */
const BY_STRINGS: Readonly<Record<number, Tablature["instrument"]>> = { 4: "mandolin", 6: "guitar" };

/**
 * The tablature that the engraver can write for an instrument: four or six fretted strings that rise, in the treble clef. Undefined for
 * any other, and where a note of the staff lies below the lowest string: the engraver would put a question mark there.
 *
 * @param lowest the lowest note of the staff as it is written, a MIDI number
 * @example tablatureOf(instrumentOf("mandolin"), tuningOf("mandolin"), 60)?.tuning // ["G,", "D", "A", "e"]
 */
export function tablatureOf(
  { clef, octavesUp }: Pick<Instrument, "clef" | "octavesUp">,
  tuning: Tuning | undefined,
  lowest: number,
): Tablature | undefined {
  const instrument = BY_STRINGS[tuning?.strings.length ?? 0];
  if (!tuning?.isFretted || instrument === undefined || clef !== "treble") return undefined;
  const midis = tuning.strings.map(midiOf);
  if (midis.some((midi, at) => midi <= (midis[at - 1] ?? 0))) return undefined;
  if (lowest < (midis[0] ?? 0) + 12 * octavesUp) return undefined;
  return {
    instrument,
    tuning: tuning.strings.map(({ name, octave }) => writeAbcPitch({ name, octave: octave + octavesUp })),
  };
}
