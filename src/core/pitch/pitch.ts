import {
  accidentalCount,
  ACCIDENTALS,
  accidentalsOf,
  fifthsFrom,
  type Fifths,
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
