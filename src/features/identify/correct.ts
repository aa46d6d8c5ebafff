import type { Timed } from "@/core/tune";

/** A change to one note of a recorded line, by hand. */
export type Correction = "higher" | "lower" | "take-out" | "join" | "part";

/** Half steps that a note can be moved to at most: MIDI's own bounds. */
const RANGE = [0, 127] as const;

/**
 * The notes of a recorded line with one of them corrected: moved a half step, taken out, joined with the next, or parted in the
 * middle. Where nothing can be done the same notes come back.
 *
 * @example corrected(notes, 0, "higher")[0].midi // one more than before
 */
export function corrected(notes: readonly Timed[], at: number, how: Correction): readonly Timed[] {
  const [note, next] = [notes[at], notes[at + 1]];
  if (!note) return notes;
  const put = (...notesInstead: readonly Timed[]) => [
    ...notes.slice(0, at),
    ...notesInstead,
    ...notes.slice(at + 1),
  ];
  switch (how) {
    case "higher":
      return note.midi < RANGE[1] ? put({ ...note, midi: note.midi + 1 }) : notes;
    case "lower":
      return note.midi > RANGE[0] ? put({ ...note, midi: note.midi - 1 }) : notes;
    case "take-out":
      return put();
    case "join":
      if (!next) return notes;
      return [
        ...notes.slice(0, at),
        { ...note, duration: next.onset + next.duration - note.onset },
        ...notes.slice(at + 2),
      ];
    case "part": {
      const half = note.duration / 2;
      return put({ ...note, duration: half }, { ...note, onset: note.onset + half, duration: half });
    }
  }
}
