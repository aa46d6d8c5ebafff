import { midiOf } from "../pitch";
import { allNotes, type Clef, EPSILON, type Tune, type TuneNote } from "./tune";

/** The notes of one voice, by its place in `Tune.voices`. */
export const voiceNotes = (tune: Tune, voice: number): readonly TuneNote[] =>
  allNotes(tune).filter((note) => (note.voice ?? 0) === voice);

/** The places of the notes of one voice, in order. */
export const voicePlaces = (tune: Tune, voice: number): readonly number[] =>
  allNotes(tune).flatMap((note, at) => ((note.voice ?? 0) === voice ? [at] : []));

/** The place of the note so many steps along the same voice; the first or last where there are no more. */
export function noteBeside(tune: Tune, place: number, steps: number): number {
  const line = voicePlaces(tune, allNotes(tune)[place]?.voice ?? 0);
  const next = Math.max(0, Math.min(line.length - 1, line.indexOf(place) + steps));
  return line[next] ?? place;
}

/** The place of the note that sounds at the same time so many voices down; the same where there is none. */
export function noteAcross(tune: Tune, place: number, voices: number): number {
  const all = allNotes(tune);
  const { onset = 0, voice = 0 } = all[place] ?? {};
  const line = voicePlaces(tune, voice + voices);
  const before = line.filter((at) => (all[at]?.onset ?? 0) <= onset + EPSILON);
  return before.at(-1) ?? line[0] ?? place;
}

/** The clef that notes of such heights (MIDI) are read in most easily: bass where the middle one lies under A3. */
export function clefFor(heights: readonly number[]): Clef {
  const middle = [...heights].sort((a, b) => a - b)[Math.floor(heights.length / 2)] ?? 60;
  return middle < 57 ? "bass" : "treble";
}

/** The same for the notes of a voice. */
export const clefOf = (notes: readonly TuneNote[]): Clef => clefFor(notes.map(({ pitch }) => midiOf(pitch)));
