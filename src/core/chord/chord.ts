import { type Fifths, type Interval, soundOf } from "../pitch";
import { type PitchClassSet, pitchClassSet } from "../scale";

/** A chord: its root, its tones as spelled intervals from the root (root first), and a bass where another one is asked. */
export interface Chord {
  readonly root: Fifths;
  readonly tones: readonly Interval[];
  /** Tones that the symbol implies and players may leave out; not counted as chord tones. */
  readonly optional: readonly Interval[];
  readonly bass?: Fifths | undefined;
}

/** The tones of a chord as names, root first; a bass that is no tone of it comes last. */
export function chordNotes({ root, tones, bass }: Chord): readonly Fifths[] {
  const notes = tones.map((tone) => root + tone);
  return bass === undefined || notes.some((note) => soundOf(note) === soundOf(bass))
    ? notes
    : [...notes, bass];
}

/** The sounding pitch classes of a chord, C as bit 0. */
export function chordSounds(chord: Chord): PitchClassSet {
  return pitchClassSet(chordNotes(chord).map(soundOf));
}
