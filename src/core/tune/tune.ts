import type { BarSigns, Chord } from "../chord";
import { type Pitch, soundOf } from "../pitch";
import type { HomeMode } from "../scale";
import type { Meter } from "./meter";

/** A sounding note. Times are in quarter notes from the start of the tune; ties are already joined. */
export interface TuneNote {
  readonly pitch: Pitch;
  readonly onset: number;
  readonly duration: number;
  /** Place of its bar in `Tune.bars`. */
  readonly bar: number;
  /** Where it stands in the text it was read from, for marking it on the staff. */
  readonly from: number;
  readonly to: number;
  /** It sounds a quarter tone above its pitch, or below. */
  readonly quarter?: 1 | -1 | undefined;
  /** Which voice it is in, by its place in `Tune.voices`; left out for the melody, which is the first. */
  readonly voice?: number | undefined;
}

/** What says that a phrase ends on the note that begins at an onset, in quarters: a fermata, or a place to breathe. */
export interface PhraseMark {
  readonly onset: number;
  readonly sign: "fermata" | "breath";
}

/** Clefs that voices are written in; `-8` sounds an octave lower than it looks. */
export type Clef = "treble" | "treble-8" | "alto" | "tenor" | "bass" | "bass-8";

/** A voice of a piece that has several. */
export interface TuneVoice {
  readonly name: string;
  readonly clef: Clef;
  /** Voices with the same number stand on one staff. */
  readonly staff: number;
}

export interface TuneBar {
  /**
   * Number as printed, otherwise as a player counts: a pickup is 0, the first whole bar 1; a bar parted by a repeat keeps its
   * number.
   */
  readonly number: number;
  readonly start: number;
  readonly length: number;
  /** Quarters missing at its front: a pickup stands at the end of its bar. */
  readonly lead: number;
  /** A repeat sign or double bar stands at its end. */
  readonly endsSection: boolean;
  /** What it says about where to go on, where repeats and endings were read. */
  readonly signs?: BarSigns | undefined;
}

/** A chord symbol over a tune: where it stands, in quarters from the start, and until where it holds. */
export interface TuneChord {
  readonly chord: Chord;
  readonly onset: number;
  readonly duration: number;
  readonly bar: number;
}

/** A key as the source declares it, from a bar on: the mode that the signature makes on its home. */
export interface DeclaredKey extends HomeMode {
  /** Only a signature stands there, and home is not said: it is taken as that of major. */
  readonly isSignature?: boolean | undefined;
  /** Place in `Tune.bars`. */
  readonly bar: number;
}

/** What every reader of music reads into. Notes are in order of onset; repeats are not unfolded. */
export interface Tune {
  readonly title: string;
  /** The melody: one voice, though several of its notes may be struck together. */
  readonly notes: readonly TuneNote[];
  /** What other voices and parts sound beneath it, in order of onset. */
  readonly beneath?: readonly TuneNote[] | undefined;
  /** The melody's voice, then the others as they are written, where there are several. */
  readonly voices?: readonly TuneVoice[] | undefined;
  /** Where it is written that a phrase ends, in order. */
  readonly phraseMarks?: readonly PhraseMark[] | undefined;
  readonly chords?: readonly TuneChord[] | undefined;
  readonly bars: readonly TuneBar[];
  readonly meter: Meter;
  /** The keys that the source declares, in order: evidence, not the answer. */
  readonly keys?: readonly DeclaredKey[] | undefined;
}

/**
 * Every note of a tune, the melody and what is beneath it. The place of a note of a tune is its place in this list: for the
 * melody its place in `notes`.
 */
export const allNotes = ({ notes, beneath = [] }: Pick<Tune, "notes" | "beneath">): readonly TuneNote[] =>
  beneath.length === 0 ? notes : [...notes, ...beneath];

/**
 * Notes of even length as a tune in four quarters to the bar; the last one lasts to the end of its beat, the last bar as
 * long as it needs to.
 *
 * @example evenTune(pitches, 0.5).notes[2]?.onset // 1
 */
export function evenTune(pitches: readonly Pitch[], each: number): Tune {
  const bar = 4;
  const end = Math.ceil(pitches.length * each - 1e-9);
  const notes = pitches.map((pitch, at): TuneNote => {
    const onset = at * each;
    const duration = at === pitches.length - 1 ? end - onset : each;
    return { pitch, onset, duration, bar: Math.floor(onset / bar + 1e-9), from: 0, to: 0 };
  });
  const bars = Array.from({ length: Math.max(1, Math.ceil(end / bar - 1e-9)) }, (_, at): TuneBar => {
    const start = at * bar;
    return {
      number: at + 1,
      start,
      length: Math.min(bar, Math.max(each, end - start)),
      lead: 0,
      endsSection: false,
    };
  });
  return { title: "", notes, bars, meter: { beats: 4, unit: 4 } };
}

/**
 * How long each pitch class sounds in some notes, 0 is C.
 *
 * @param counts what of its time a note counts, all of it where this is left out
 * @example timeBySound(notes)[9] // quarters of A
 */
export function timeBySound(
  notes: readonly TuneNote[],
  counts: (note: TuneNote, at: number) => number = () => 1,
): number[] {
  const time = new Array<number>(12).fill(0);
  for (const [at, note] of notes.entries()) {
    const sound = soundOf(note.pitch.name);
    time[sound] = (time[sound] ?? 0) + note.duration * counts(note, at);
  }
  return time;
}

/** A moment's worth of rounding, in quarters. */
export const EPSILON = 1e-6;
