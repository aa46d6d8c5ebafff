import { modulo } from "@/core/pitch";

/**
 * Which of the notes that are shown sound: those at the very pitch; where a pitch isn't shown, its note in other octaves.
 *
 * @param shown MIDI numbers on the surface
 * @param sounding MIDI numbers that are heard
 * @example heardAmong([50, 62], [62]) // 62; heardAmong([50, 62], [74]) // 50 and 62
 */
export function heardAmong(shown: readonly number[], sounding: readonly number[]): ReadonlySet<number> {
  return new Set(
    sounding.flatMap((midi) =>
      shown.includes(midi) ? [midi] : shown.filter((each) => modulo(each - midi, 12) === 0),
    ),
  );
}
