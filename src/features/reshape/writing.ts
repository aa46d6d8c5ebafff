import {
  type Fifths,
  fifthsFrom,
  letterOf,
  midiOf,
  nearestOctave,
  type Pitch,
  pitchAt,
  soundOf,
  spellSound,
} from "@/core/pitch";
import { type HomeMode, notesOf } from "@/core/scale";
import { noteBefore, type Tune, type Written, writtenEnd } from "@/core/tune";

/** Lengths of notes by their keys, in quarters. */
export const NOTE_VALUES = [
  { value: "1", length: 4 },
  { value: "2", length: 2 },
  { value: "4", length: 1 },
  { value: "8", length: 0.5 },
  { value: "6", length: 0.25 },
] as const;
type NoteValue = (typeof NOTE_VALUES)[number]["value"];

/** The length that notes are written in. */
export interface PenLength {
  readonly value: NoteValue;
  readonly isDotted: boolean;
  readonly isTriplet: boolean;
}

/** Quarters of a length: a dot makes it half as long again, in a triplet three last as long as two. */
export function quartersOf({ value, isDotted, isTriplet }: PenLength): number {
  const length = NOTE_VALUES.find((each) => each.value === value)?.length ?? 1;
  return length * (isDotted ? 1.5 : 1) * (isTriplet ? 2 / 3 : 1);
}

/** Notes start around here where there is none before. */
const MIDDLE: Pitch = { name: 1, octave: 4 };

/** The pitch that the next one is near to: that of the note before. */
const nearTo = ({ tune, time }: Written): Pitch =>
  tune.notes.findLast(({ onset }) => onset < time - 1e-6)?.pitch ?? MIDDLE;

/** A letter as the key has it; natural where there is no key. */
const nameOf = (letter: string, key: HomeMode | undefined): Fifths =>
  (key && notesOf(key).find((note) => letterOf(note) === letter)) ?? fifthsFrom(letter, 0);

/** A letter as the key has it, in the octave that is nearest to the note before. */
export function letterPitch(written: Written, letter: string, key: HomeMode | undefined): Pitch {
  const upper = letter.toUpperCase();
  return nearestOctave(nameOf(upper, key), nearTo(written));
}

/** A sound by its name in the key, or the plainest near its home. */
export function soundPitch(midi: number, key: HomeMode | undefined): Pitch {
  const sound = ((midi % 12) + 12) % 12;
  const inKey = key && notesOf(key).find((note) => soundOf(note) === sound);
  return pitchAt(midi, inKey ?? spellSound(sound, key?.home ?? 0));
}

/** The next letter up or down, as the key has it. */
export function stepped({ name, octave }: Pitch, by: 1 | -1, key: HomeMode | undefined): Pitch {
  const at = LETTERS.indexOf(letterOf(name)) + by;
  const letter = LETTERS.charAt((at + LETTERS.length) % LETTERS.length);
  const over = at < 0 ? -1 : at >= LETTERS.length ? 1 : 0;
  return { name: nameOf(letter, key), octave: octave + over };
}
const LETTERS = "CDEFGAB";

/** The same letter with so many sharps (or flats below 0). */
export const altered = ({ name, octave }: Pitch, accidentals: number): Pitch => ({
  name: fifthsFrom(letterOf(name), accidentals),
  octave,
});

/** The place where the cursor goes from here: to the end of the note before or after; at the ends it stays. */
export function cursorBeside({ tune, time }: Written, by: 1 | -1): number {
  const stops = [0, ...tune.notes.map(({ onset, duration }) => onset + duration), writtenEnd(tune)];
  const beyond = stops.filter((stop) => (by > 0 ? stop > time + 1e-6 : stop < time - 1e-6));
  return beyond.reduce(
    (best, stop) => (by > 0 ? Math.min(best, stop) : Math.max(best, stop)),
    by > 0 ? Infinity : -Infinity,
  );
}

/** A key pressed on the staff: what it does to what is written, where it is one of the writing keys. */
export type Stroke =
  | { readonly does: "letter"; readonly letter: string }
  | { readonly does: "rest" | "erase" | "dot" | "triplet" }
  | { readonly does: "value"; readonly value: NoteValue }
  | { readonly does: "move" | "step" | "octave"; readonly by: 1 | -1 }
  | { readonly does: "alter"; readonly accidentals: number };

const PLAIN_STROKES: Readonly<Record<string, Stroke>> = {
  z: { does: "rest" },
  ".": { does: "dot" },
  "3": { does: "triplet" },
  Backspace: { does: "erase" },
  ArrowLeft: { does: "move", by: -1 },
  ArrowRight: { does: "move", by: 1 },
  ArrowUp: { does: "step", by: 1 },
  ArrowDown: { does: "step", by: -1 },
  "'": { does: "octave", by: 1 },
  ",": { does: "octave", by: -1 },
  "^": { does: "alter", accidentals: 1 },
  "#": { does: "alter", accidentals: 1 },
  _: { does: "alter", accidentals: -1 },
  "-": { does: "alter", accidentals: -1 },
  "=": { does: "alter", accidentals: 0 },
};

/**
 * What a key writes: the letters and signs of ABC, figures for lengths. Undefined for every other key.
 *
 * @example strokeOf("d") // { does: "letter", letter: "d" }
 */
export function strokeOf(key: string): Stroke | undefined {
  if (/^[a-g]$/u.test(key)) return { does: "letter", letter: key };
  const value = NOTE_VALUES.find((each) => each.value === key)?.value;
  return value ? { does: "value", value } : PLAIN_STROKES[key];
}

/** The note that strokes change: the one before the cursor. */
export const strokedNote = (written: Written): Tune["notes"][number] | undefined =>
  written.tune.notes[noteBefore(written)];

/** The sound of a pitch an octave higher or lower, within what is written. */
export function octaved(pitch: Pitch, by: 1 | -1): Pitch {
  const moved = { ...pitch, octave: pitch.octave + by };
  const midi = midiOf(moved);
  return midi < 24 || midi > 108 ? pitch : moved;
}
