import { type Interval, midiOf, modulo, type Pitch, pitchAt, soundOf } from "../pitch";
import { type HomeMode, notesOf } from "../scale";
import { openSounds, type Tuning } from "./tuning";

/** Where a note is taken. String 1 is the last to be strummed; frets are counted from the nut, whatever the capo. */
export interface Place {
  readonly string: number;
  readonly fret: number;
}

/** A note of a mode where it lies on the neck. */
export interface NeckNote extends Place {
  readonly pitch: Pitch;
  readonly interval: Interval;
}

/**
 * Distance of a fret from the nut, as a share of the scale length: 1 - 2^(-n/12), equal temperament.
 *
 * @example fretAt(12) // 0.5
 */
export function fretAt(fret: number): number {
  return 1 - 2 ** (-fret / 12);
}

/**
 * Millimetres between fingers that press two frets of a neck.
 *
 * @example betweenFrets(GUITAR, 1, 4) // 97: a finger to each of the first four frets
 */
export function betweenFrets(
  { scaleLength }: Pick<Tuning, "scaleLength">,
  one: number,
  other: number,
): number {
  return Math.abs(fretAt(other) - fretAt(one)) * scaleLength;
}

/** How a mode names what sounds, by pitch class; undefined for sounds outside it. */
export function namesOf(homeMode: HomeMode): (midi: number) => Pitch | undefined {
  const bySound = new Map(notesOf(homeMode).map((note) => [soundOf(note), note]));
  return (midi) => {
    const name = bySound.get(modulo(midi, 12));
    return name === undefined ? undefined : pitchAt(midi, name);
  };
}

/** Every place of a mode's notes on a neck, from the capo on, from the string that lies lowest up, fret by fret. */
export function neckNotes(tuning: Tuning, homeMode: HomeMode): readonly NeckNote[] {
  const named = namesOf(homeMode);
  return openSounds(tuning).flatMap((open, at) =>
    Array.from({ length: tuning.frets - tuning.capo + 1 }, (_, above) => above).flatMap((above) => {
      const pitch = named(open + above);
      if (!pitch) return [];
      const string = tuning.strings.length - at;
      return [{ string, fret: tuning.capo + above, pitch, interval: pitch.name - homeMode.home }];
    }),
  );
}

/** Every place of one sound on a neck. */
export function placesOf(tuning: Tuning, midi: number): readonly Place[] {
  return openSounds(tuning).flatMap((open, at) => {
    const fret = tuning.capo + midi - open;
    return fret < tuning.capo || fret > tuning.frets ? [] : [{ string: tuning.strings.length - at, fret }];
  });
}

/** The sound at a place. */
export function soundAt(tuning: Tuning, { string, fret }: Place): number {
  const open = tuning.strings[tuning.strings.length - string];
  return (open ? midiOf(open) : 0) + fret;
}
