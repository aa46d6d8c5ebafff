import { type Fifths, soundOf } from "../pitch";
import { type Chord, chordNotes, chordSounds, diatonicChords } from "../chord";
import { type HomeMode, size, pitchClassSet } from "../scale";
import { fitOf } from "./fit";

/** A seventh arpeggio that can be played over a chord in its place. */
export interface StandIn {
  readonly chord: Chord;
  /** Its notes that the chord has as well, and what it adds. */
  readonly shared: readonly Fifths[];
  readonly added: readonly Fifths[];
}

/** Tones that have to be shared: with fewer it is another chord. */
const FEWEST = 2;

/**
 * The seventh arpeggios of a mode that stand in for a chord of it: they share most of its tones and have none of its avoid notes. Those
 * that share most come first.
 *
 * @example standIns(Fmaj7, E Phrygian).map(({ chord }) => printChord(chord)) // Dm7, Am7: three of its tones each …
 */
export function standIns(chord: Chord, homeMode: HomeMode): readonly StandIn[] {
  const own = chordSounds(chord);
  const avoid = pitchClassSet(fitOf(chord, homeMode).avoidNotes.map(soundOf));
  return diatonicChords(homeMode)
    .flatMap(({ chords: { seventh } }) => seventh ?? [])
    .filter((each) => {
      const sounds = chordSounds(each);
      return sounds !== own && (sounds & avoid) === 0 && size(sounds & own) >= FEWEST;
    })
    .map((each): StandIn => {
      const notes = chordNotes(each);
      const isShared = (note: Fifths) => (own & pitchClassSet([soundOf(note)])) !== 0;
      return {
        chord: each,
        shared: notes.filter(isShared),
        added: notes.filter((note) => !isShared(note)),
      };
    })
    .sort((a, b) => b.shared.length - a.shared.length);
}
