import { type ChartChord, chordSounds } from "../chord";
import { modulo } from "../pitch";
import { holds, holdsAll, type Mode, mode, type PitchClassSet, pitchClassSet } from "../scale";

/** Whether no chord has a third: power chords, suspended chords. They leave open what the mode is. */
export const isWithoutThirds = (chords: Iterable<Pick<ChartChord, "chord">>): boolean =>
  [...chords].every(({ chord }) => !chord || !(chord.tones.includes(4) || chord.tones.includes(-3)));

/** Modes that players take first over chords without thirds, by what is heard above home. */
const MINOR = ["aeolian", "dorian", "phrygian", "locrian"].map(mode);
const MAJOR = ["ionian", "mixolydian", "lydian"].map(mode);
const DOMINANT = ["mixolydian", "aeolian", "dorian", "phrygian"].map(mode);

/**
 * The plainest of the seven that holds what is heard, where no chord has a third: natural minor where another chord has its third, major
 * where none has anything against it, Mixolydian over a minor seventh.
 *
 * @param home a sound, 0 is C
 * @example plainMode(E, sounds of E5 G5 A5) // Aeolian
 */
export function plainMode(home: number, heard: PitchClassSet): Mode | undefined {
  const above = pitchClassSet(
    Array.from({ length: 12 }, (_, up) => up).filter((up) => holds(heard, modulo(home + up, 12))),
  );
  const first = holds(above, 3) ? MINOR : holds(above, 10) && !holds(above, 4) ? DOMINANT : MAJOR;
  return [...first, ...MAJOR, ...MINOR].find(({ sounds }) => holdsAll(sounds, above));
}

/** All that sounds in some chords. */
export const allSounds = (chords: Iterable<Pick<ChartChord, "chord">>): PitchClassSet =>
  [...chords].reduce((all, { chord }) => (chord ? all | chordSounds(chord) : all), 0);
