import { midiOf, type Pitch } from "../pitch";
import type { TuneNote } from "../tune";

/** Lowest and highest key of an instrument, or of a voice, as MIDI numbers. */
export interface Range {
  readonly low: number;
  readonly high: number;
}

/** A melody within a range, and what was done to keep it there. */
export interface Ranged {
  readonly notes: readonly TuneNote[];
  /** Octaves by which all of it was moved. */
  readonly octaves: number;
  /** Places of the notes that were folded an octave apart from the rest. */
  readonly folded: readonly number[];
  /** Places of the notes that no octave brings into the range. */
  readonly outside: readonly number[];
}

const raised = (pitch: Pitch, octaves: number): Pitch => ({ ...pitch, octave: pitch.octave + octaves });

/** Octaves by which a whole melody may move. */
const WHOLE = [0, -1, 1, -2, 2, -3, 3];

/**
 * A melody kept within a range: as a whole by octaves where that leaves fewer notes outside, then note by note.
 *
 * @example withinRange(notes, { low: 55, high: 76 }).octaves // -1
 */
export function withinRange(notes: readonly TuneNote[], { low, high }: Range): Ranged {
  const isIn = (midi: number) => midi >= low && midi <= high;
  const midis = notes.map(({ pitch }) => midiOf(pitch));
  const outsideBy = (octaves: number) => midis.filter((midi) => !isIn(midi + 12 * octaves)).length;
  const octaves = WHOLE.reduce((best, each) => (outsideBy(each) < outsideBy(best) ? each : best), 0);
  const folded: number[] = [];
  const outside: number[] = [];
  const within = notes.map((note, place) => {
    const midi = (midis[place] ?? 0) + 12 * octaves;
    const by = midi < low ? Math.ceil((low - midi) / 12) : midi > high ? -Math.ceil((midi - high) / 12) : 0;
    if (!isIn(midi + 12 * by)) outside.push(place);
    else if (by !== 0) folded.push(place);
    const all = octaves + (isIn(midi + 12 * by) ? by : 0);
    return all === 0 ? note : { ...note, pitch: raised(note.pitch, all) };
  });
  return { notes: within, octaves, folded, outside };
}
