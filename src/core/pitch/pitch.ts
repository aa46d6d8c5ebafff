import {
  accidentalCount,
  ACCIDENTALS,
  accidentalsOf,
  fifthsFrom,
  type Fifths,
  modulo,
  type NameForm,
  printName,
  soundOf,
} from "./fifths";

/** A spelled note at a height: scientific octaves, C4 is middle C. B♯3 and C4 sound the same and are not the same. */
export interface Pitch {
  readonly name: Fifths;
  readonly octave: number;
}

/** MIDI number of a pitch: C4 → 60, B♯3 → 60. */
export function midiOf({ name, octave }: Pitch): number {
  const natural = soundOf(name - 7 * accidentalsOf(name));
  return 12 * (octave + 1) + natural + accidentalsOf(name);
}

/** The pitch of a sounding number under a given name: (60, B♯) → B♯3. The name must sound as the number does. */
export function pitchAt(midi: number, name: Fifths): Pitch {
  return { name, octave: Math.floor((midi - accidentalsOf(name)) / 12) - 1 };
}

/**
 * A name in the octave that is nearest to another pitch.
 *
 * @example nearestOctave(5, { name: 0, octave: 4 }) // B3: a half step below C4
 */
export function nearestOctave(name: Fifths, to: Pitch): Pitch {
  const away = (octave: number) => Math.abs(midiOf({ name, octave }) - midiOf(to));
  const octave = [to.octave - 1, to.octave, to.octave + 1].reduce((best, next) =>
    away(next) < away(best) ? next : best,
  );
  return { name, octave };
}

/**
 * The place of a pitch on the staff, counted in lines and spaces: C4 is 28, and its accidental doesn't matter.
 *
 * @example staffPlace({ name: 7, octave: 4 }) === staffPlace({ name: 0, octave: 4 }) // C♯4 and C4 stand in one place
 */
export const staffPlace = ({ name, octave }: Pitch): number => modulo(name * 4, 7) + 7 * octave;

/** The pitch as text: {6, 4} → "F#4" or "F♯4". */
export function printPitch(pitch: Pitch, form: NameForm = "ascii"): string {
  return `${printName(pitch.name, form)}${pitch.octave}`;
}

const PITCH = new RegExp(`^([A-Ga-g])(${ACCIDENTALS})(-?\\d)$`, "u");

/** The pitch that a text spells ("F#4", "bb3", "C♯-1"), or undefined where it spells none. */
export function maybePitch(text: string): Pitch | undefined {
  const found = PITCH.exec(text.trim());
  if (!found) return undefined;
  return { name: fifthsFrom(found[1] ?? "", accidentalCount(found[2] ?? "")), octave: Number(found[3]) };
}
