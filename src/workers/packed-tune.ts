import type { Fifths } from "@/core/pitch";
import type { Tune, TuneNote } from "@/core/tune";
import type { FileTune } from "@/formats";

/** Notes as columns of numbers, which cross between threads a hundred times faster than as many objects. */
interface NoteColumns {
  readonly names: Int8Array;
  readonly octaves: Int8Array;
  readonly onsets: Float64Array;
  readonly durations: Float64Array;
  readonly bars: Uint32Array;
  readonly from: Uint32Array;
  readonly to: Uint32Array;
  /** 0 for the melody, which has no number. */
  readonly voices: Uint16Array;
}

/** A tune whose notes are columns. */
export interface PackedTune {
  readonly notes: NoteColumns;
  readonly beneath: NoteColumns | undefined;
  readonly rest: Omit<Tune, "notes" | "beneath">;
}

/** A tune of a file, and the text that it was written in. */
export interface PackedFileTune {
  readonly tune: PackedTune;
  readonly text: string | undefined;
  readonly engraving: string | undefined;
}

/** In one pass: a tune of a hundred thousand notes is packed on the page while it is drawn. */
function columns(notes: readonly TuneNote[]): NoteColumns {
  const { length } = notes;
  const made = {
    names: new Int8Array(length),
    octaves: new Int8Array(length),
    onsets: new Float64Array(length),
    durations: new Float64Array(length),
    bars: new Uint32Array(length),
    from: new Uint32Array(length),
    to: new Uint32Array(length),
    voices: new Uint16Array(length),
  };
  for (let at = 0; at < length; at += 1) {
    const { pitch, onset, duration, bar, from, to, voice } = notes[at] as TuneNote;
    made.names[at] = pitch.name;
    made.octaves[at] = pitch.octave;
    made.onsets[at] = onset;
    made.durations[at] = duration;
    made.bars[at] = bar;
    made.from[at] = from;
    made.to[at] = to;
    made.voices[at] = voice ?? 0;
  }
  return made;
}

function notesIn(columns: NoteColumns): readonly TuneNote[] {
  const { names, octaves, onsets, durations, bars, from, to, voices } = columns;
  const notes: TuneNote[] = [];
  for (let at = 0; at < names.length; at += 1) {
    const voice = voices[at] ?? 0;
    notes.push({
      pitch: { name: names[at] as Fifths, octave: octaves[at] ?? 0 },
      onset: onsets[at] ?? 0,
      duration: durations[at] ?? 0,
      bar: bars[at] ?? 0,
      from: from[at] ?? 0,
      to: to[at] ?? 0,
      ...(voice === 0 ? undefined : { voice }),
    });
  }
  return notes;
}

/** A tune on its way to another thread. */
export function packTune({ notes, beneath, ...rest }: Tune): PackedTune {
  return { notes: columns(notes), beneath: beneath && columns(beneath), rest };
}

/** A tune that came from another thread, with notes of its own. Modes in it are copies. */
export function unpackTune({ notes, beneath, rest }: PackedTune): Tune {
  return { ...rest, notes: notesIn(notes), ...(beneath ? { beneath: notesIn(beneath) } : {}) };
}

/** A tune of a file on its way to another thread. */
export const packFileTune = ({ tune, written }: FileTune): PackedFileTune => ({
  tune: packTune(tune),
  text: written?.text,
  engraving: written?.engraving,
});

/** A tune of a file that came from another thread. */
export function unpackFileTune({ tune: packed, text, engraving }: PackedFileTune): FileTune {
  const tune = unpackTune(packed);
  return text === undefined ? { tune } : { tune, written: { tune, text, engraving: engraving ?? text } };
}
