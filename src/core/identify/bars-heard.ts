import { midiOf, soundOf } from "../pitch";
import { EPSILON, sectionEnds, type Tune, type TuneNote } from "../tune";

/** A bar in which something sounds. */
export interface HeardBar {
  /** Place in the tune's bars. */
  readonly bar: number;
  /** Places of its notes in the tune's notes. */
  readonly notes: readonly number[];
  readonly isPickup: boolean;
}

/**
 * The bars of a tune as they are heard: how long a whole one is, which are pickups, what stress each note has, where sections end.
 * What a bar is long is told by its last note, so that rests and wrong meters do no harm.
 */
export interface HeardBars {
  readonly bars: readonly HeardBar[];
  /** Metric stress of each note of the tune: 1 at the barline, 0.6 on another beat, 0.3 between beats. */
  readonly stress: readonly number[];
  /** Sections in order, each its bars; the last note of each ends it. */
  readonly sections: readonly (readonly HeardBar[])[];
}

/** Sections after these say nothing new. */
const MAX_SECTIONS = 12;

/** The stress of a note at a barline, on another beat, and between beats. */
const BARLINE = 1;
const [ON_BEAT, OFF_BEAT] = [0.6, 0.3];

/** Whether a stress is that of a beat. */
export const isOnBeat = (stress = 0): boolean => stress > OFF_BEAT;
export const isAtBarline = (stress = 0): boolean => stress === BARLINE;

/** Lengths are compared to three places. */
const rounded = (quarters: number) => Math.round(quarters * 1000) / 1000;

const isMultiple = (quarters: number, of: number) =>
  Math.abs(quarters / of - Math.round(quarters / of)) < EPSILON;

/** The commonest length of a bar, the longest of several. */
function wholeLength(lengths: readonly number[]): number {
  const counts = new Map<number, number>();
  for (const length of lengths) counts.set(length, (counts.get(length) ?? 0) + 1);
  const [commonest] = [...counts].sort((a, b) => b[1] - a[1] || b[0] - a[0]);
  return commonest?.[0] ?? 4;
}

/** Hears the bars of the melody of a tune. */
export function hearBars(tune: Tune): HeardBars {
  const notesIn = new Map<number, number[]>();
  for (const [at, { bar }] of tune.notes.entries()) {
    const known = notesIn.get(bar);
    if (known) known.push(at);
    else notesIn.set(bar, [at]);
  }
  const noteAt = (at: number) => tune.notes[at] as TuneNote;
  const startOf = (bar: number) => tune.bars[bar]?.start ?? 0;
  const found = [...notesIn].map(([bar, notes]) => {
    const { onset, duration } = noteAt(notes.at(-1) ?? 0);
    return { bar, notes, length: rounded(onset + duration - startOf(bar)) };
  });
  const whole = wholeLength(found.map(({ length }) => length));
  const ending = new Set(sectionEnds(tune).map((at) => noteAt(at).bar));
  const last = found.length - 1;
  const bars = found.map(({ bar, notes, length }, at) => {
    const isShort = length < whole;
    const before = found[at - 1];
    const opens = before && ending.has(before.bar) && at !== last && !ending.has(bar);
    const isPickup = isShort && (at === 0 ? last > 0 : opens === true);
    return { bar, notes, isPickup, lead: isPickup ? whole - length : 0 };
  });
  const place: number[] = [];
  for (const { bar, notes, lead } of bars)
    for (const at of notes) place[at] = noteAt(at).onset - startOf(bar) + lead;
  const beat = beatOf(whole, place, bars.length);
  return {
    bars,
    stress: place.map((quarters) =>
      quarters < EPSILON ? BARLINE : isMultiple(quarters, beat) ? ON_BEAT : OFF_BEAT,
    ),
    sections: sectionsOf(bars, ending),
  };
}

/** The beat in quarters. Bars of three quarters are in two where half of them or more strike in their middle. */
function beatOf(whole: number, places: readonly number[], bars: number): number {
  if (whole === 3) {
    const middle = places.filter((quarters) => Math.abs(quarters - 1.5) < EPSILON).length;
    return middle * 2 >= bars ? 1.5 : 1;
  }
  return isMultiple(whole, 1.5) ? 1.5 : 1;
}

function sectionsOf(bars: readonly HeardBar[], ending: ReadonlySet<number>): HeardBars["sections"] {
  const sections: HeardBar[][] = [[]];
  for (const [at, bar] of bars.entries()) {
    sections.at(-1)?.push(bar);
    const isFirstPickup = at === 0 && bar.isPickup;
    if (ending.has(bar.bar) && !isFirstPickup && at < bars.length - 1) sections.push([]);
  }
  return sections.slice(0, MAX_SECTIONS);
}

/** Of the notes struck together with one, the lowest. */
export function lowestWith(notes: readonly TuneNote[], at: number): TuneNote {
  let low = notes[at] as TuneNote;
  for (let before = at - 1; notes[before]?.onset === low.onset; before -= 1) {
    const other = notes[before] as TuneNote;
    if (midiOf(other.pitch) < midiOf(low.pitch)) low = other;
  }
  return low;
}

export const soundAt = ({ pitch }: TuneNote): number => soundOf(pitch.name);
