import { type Fifths, halfSteps, modulo, soundOf } from "../pitch";
import { type Chord, chordNotes, chordSounds, diatonicChords } from "../chord";
import { type HomeMode, holds, size, pitchClassSet } from "../scale";
import { fitOf } from "./fit";

/** A seventh arpeggio that can be played over a chord in its place. */
export interface StandIn {
  readonly chord: Chord;
  /** Its notes that the chord has as well, and what it adds. */
  readonly shared: readonly Fifths[];
  readonly added: readonly Fifths[];
  /** What of that is an avoid note of the chord: only where no arpeggio is without one. */
  readonly avoid: readonly Fifths[];
}

/** Tones that have to be shared: with fewer it is another chord. */
const FEWEST = 2;

/** Avoid notes that an arpeggio has at most where none is without. */
const MAX_AVOID = 2;

/** The third that a chord doesn't have, in half steps above its root: minor beside major, major beside minor. */
function otherThird({ root, tones }: Chord): number | undefined {
  const thirds = tones.map(halfSteps).filter((each) => each === 3 || each === 4);
  const [third] = thirds;
  return thirds.length === 1 && third !== undefined ? modulo(soundOf(root) + 7 - third, 12) : undefined;
}

/**
 * The seventh arpeggios of a mode that stand in for a chord of it: they share most of its tones, have none of its avoid notes and never its
 * other third. Those that share most come first. Where every one has an avoid note, those with fewest, told with it.
 *
 * @example standIns(Fmaj7, E Phrygian).map(({ chord }) => printChord(chord)) // Dm7, Am7: three of its tones each …
 */
export function standIns(chord: Chord, homeMode: HomeMode): readonly StandIn[] {
  const sounds = chordSounds(chord);
  const avoid = pitchClassSet(fitOf(chord, homeMode).avoidNotes.map(soundOf));
  const third = otherThird(chord);
  const avoided = (each: Chord) => size(chordSounds(each) & avoid);
  const shared = (each: Chord) => size(chordSounds(each) & sounds);
  const all = diatonicChords(homeMode)
    .flatMap(({ chords: { seventh } }) => seventh ?? [])
    .filter(
      (each) =>
        chordSounds(each) !== sounds &&
        (third === undefined || !holds(chordSounds(each), third)) &&
        shared(each) > 0,
    );
  const strict = all.filter((each) => avoided(each) === 0 && shared(each) >= FEWEST);
  const offered = strict.length > 0 ? strict : all.filter((each) => avoided(each) <= MAX_AVOID);
  return offered
    .map((each): StandIn => {
      const notes = chordNotes(each);
      const isShared = (note: Fifths) => (sounds & pitchClassSet([soundOf(note)])) !== 0;
      return {
        chord: each,
        shared: notes.filter(isShared),
        added: notes.filter((note) => !isShared(note)),
        avoid: notes.filter((note) => holds(avoid, soundOf(note))),
      };
    })
    .sort((a, b) => a.avoid.length - b.avoid.length || b.shared.length - a.shared.length);
}
