import type { Pitch } from "../pitch";
import { numberBars } from "./bars";
import { barLength } from "./meter";
import { EPSILON, type Tune, type TuneBar, type TuneNote } from "./tune";

/**
 * A melody as it is written note by note. Times are in quarters; what comes after a change moves along, as in a text, and bars are
 * counted off by the meter. Bars that are there keep their lengths, signs and endings.
 */
export interface Written {
  readonly tune: Tune;
  /** Where the next note is written: the end of the note before it, or of a rest. */
  readonly time: number;
}

const endOf = ({ onset, duration }: TuneNote): number => onset + duration;

/** Where a tune ends, rests at its end included. */
export function writtenEnd({ bars, notes }: Tune): number {
  const last = bars.at(-1);
  return Math.max(last ? last.start + last.length : 0, ...notes.slice(-8).map(endOf));
}

/** The note that ends where the next one is written: the one before the cursor. None at a rest or at the beginning. */
export const noteBefore = ({ tune, time }: Written): number =>
  tune.notes.findLastIndex((note) => Math.abs(endOf(note) - time) < EPSILON);

/** Writes a note, or a rest where no pitch is given; what follows moves along. */
export function write({ tune, time }: Written, pitch: Pitch | undefined, length: number): Written {
  const moved = shifted(tune, time, length);
  const note: TuneNote | undefined = pitch && {
    pitch,
    onset: time,
    duration: length,
    bar: 0,
    from: 0,
    to: 0,
  };
  const notes = note ? [...moved.notes, note].sort((a, b) => a.onset - b.onset) : moved.notes;
  return { tune: barred({ ...moved, notes }, writtenEnd(tune) + length), time: time + length };
}

/** Takes away what stands before the cursor: a note, or the rest up to the note before. What follows closes up. */
export function eraseBefore({ tune, time }: Written): Written {
  if (time < EPSILON) return { tune, time };
  const at = noteBefore({ tune, time });
  const note = tune.notes[at];
  const before = tune.notes.reduce(
    (end, each) => (endOf(each) < time - EPSILON ? Math.max(end, endOf(each)) : end),
    0,
  );
  const from = note ? note.onset : before;
  const left = {
    ...tune,
    notes: tune.notes.filter((each) => each.onset < from - EPSILON || each.onset > time - EPSILON),
  };
  return { tune: barred(shifted(left, time, from - time), writtenEnd(tune) - (time - from)), time: from };
}

/** The note before the cursor at another pitch. */
export function repitch({ tune, time }: Written, pitch: Pitch): Written {
  const at = noteBefore({ tune, time });
  return {
    tune: { ...tune, notes: tune.notes.map((note, nth) => (nth === at ? { ...note, pitch } : note)) },
    time,
  };
}

/** The note before the cursor at another length; what follows moves along. */
export function relength(written: Written, length: number): Written {
  const { tune, time } = written;
  const at = noteBefore(written);
  const note = tune.notes[at];
  if (!note) return written;
  const by = length - note.duration;
  const moved = shifted(tune, time, by);
  const notes = moved.notes.map((each, nth) => (nth === at ? { ...each, duration: length } : each));
  return { tune: barred({ ...moved, notes }, writtenEnd(tune) + by), time: time + by };
}

/** Moves everything from a time on: notes, chords, and what marks the ends of phrases. */
function shifted(tune: Tune, from: number, by: number): Tune {
  const moved = <T extends { readonly onset: number }>(all: readonly T[]): readonly T[] =>
    all.map((each) => (each.onset > from - EPSILON ? { ...each, onset: each.onset + by } : each));
  const { notes, beneath, chords, phraseMarks } = tune;
  return {
    ...tune,
    notes: moved(notes),
    ...(beneath ? { beneath: moved(beneath) } : {}),
    ...(chords ? { chords: moved(chords) } : {}),
    ...(phraseMarks ? { phraseMarks: moved(phraseMarks) } : {}),
  };
}

/** The same notes in bars up to an end: those that there were, then whole ones; the last is as long as what is in it. */
function barred(tune: Tune, end: number): Tune {
  const whole = barLength(tune.meter);
  const found: Omit<TuneBar, "number" | "lead">[] = [];
  for (let at = 0, start = 0; start < end - EPSILON || at === 0; at += 1) {
    const old = tune.bars[at];
    const isLast = at >= tune.bars.length - 1;
    const length = isLast ? whole : (old?.length ?? whole);
    found.push({
      start,
      length: Math.max(Math.min(length, end - start), end < EPSILON ? whole : 0),
      endsSection: old?.endsSection === true && !isLast,
      ...(old?.signs ? { signs: old.signs } : {}),
    });
    start += length;
  }
  const bars = numberBars(
    found.map((bar, at) => ({ ...bar, whole, endsSection: bar.endsSection || at === found.length - 1 })),
  );
  const placed = <T extends { readonly onset: number }>(
    all: readonly T[],
  ): readonly (T & { readonly bar: number })[] =>
    all.map((each) => ({
      ...each,
      bar: Math.max(
        0,
        bars.findLastIndex(({ start }) => start < each.onset + EPSILON),
      ),
    }));
  const { notes, beneath, chords } = tune;
  return {
    ...tune,
    bars,
    notes: placed(notes),
    ...(beneath ? { beneath: placed(beneath) } : {}),
    ...(chords ? { chords: placed(chords) } : {}),
  };
}

/** A tune in another meter: the same notes at the same times, in other bars. */
export const inMeter = (tune: Tune, meter: Tune["meter"]): Tune =>
  barred({ ...tune, meter, bars: [] }, Math.max(writtenEnd(tune), 0));

/** A bar that doesn't add up. */
export interface OddBar {
  /** Its number as a player counts. */
  readonly number: number;
  /** Quarters in it, and quarters that its meter asks for. */
  readonly length: number;
  readonly whole: number;
}

/**
 * Bars that are too short or too long for the meter. A pickup and what completes it, the last bar, and a bar that a section or a repeat
 * divides are as they should be.
 *
 * @example oddBars(tune)[0] // { number: 3, length: 5, whole: 4 }
 */
export function oddBars({ bars, meter }: Tune): readonly OddBar[] {
  const whole = barLength(meter);
  return bars.flatMap(({ number, length, lead, endsSection }, at): OddBar[] => {
    const isShort = length < whole - EPSILON;
    const isDivided = isShort && (lead > 0 || endsSection || at === bars.length - 1);
    return Math.abs(length - whole) < EPSILON || isDivided ? [] : [{ number, length, whole }];
  });
}
