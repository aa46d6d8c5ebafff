import { type Chord, chordNotes } from "../chord";
import { type Interval, modulo, type Pitch, pitchAt, soundOf } from "../pitch";
import { type HomeMode, notesOf } from "../scale";
import type { Fingering } from "./fingering";
import type { Tuning } from "./tuning";
import type { VoicingKind } from "./voicing-kind";

/** One way to finger a chord, strings from the one that lies lowest to string 1. */
export interface Voicing {
  readonly frets: Fingering;
  /** 1 the index finger to 4, 0 an open string, null a string that is not played. */
  readonly fingers: readonly (number | null)[];
  /** MIDI numbers, by string as above, silent strings left out. */
  readonly sounds: readonly number[];
  readonly stretchMm: number;
  /** Tones of the chord that are not there. */
  readonly omitted: readonly Interval[];
  /** What it is called by the way it is built, where it has such a name. */
  readonly kind?: VoicingKind | undefined;
  /** How hard it is to take, and after `near` how far to get there: the lower the better. Without a unit. */
  readonly cost: number;
}

/**
 * The sounds of a voicing as the chord spells them, from the string that lies lowest.
 *
 * @example pitchesOfVoicing(C7, voicing)[3]?.name // B♭, never A♯
 */
export function pitchesOfVoicing(chord: Chord, { sounds }: Voicing): readonly Pitch[] {
  const names = chordNotes(chord);
  return sounds.map((midi) =>
    pitchAt(midi, names.find((name) => soundOf(name) === modulo(midi, 12)) ?? chord.root),
  );
}

/** A chord with the notes of its mode behind its tones, to name a grip that has one of them. */
export const withMode = ({ root, tones, optional }: Chord, homeMode: HomeMode): Chord => ({
  root,
  tones: [...tones, ...notesOf(homeMode).map((note) => note - root)],
  optional,
});

/**
 * What is heard of a voicing: its sounds, and on a neck of paired strings the second string of each pair.
 *
 * @example heardOf(tuningOf("guitar-12"), voicing).length // twice as many as its strings
 */
export function heardOf({ doubles }: Tuning, { frets, sounds }: Voicing): readonly number[] {
  const strings = frets.flatMap((fret, at) => (fret === null ? [] : [at]));
  return sounds.flatMap((sound, at) => {
    const above = doubles[strings[at] ?? 0] ?? 0;
    return above === 0 ? [sound] : [sound, sound + above];
  });
}
