import { type DeclaredKey, EPSILON, type Tune, type TuneNote } from "./tune";

/** Bars of a tune by their places, both ends taken. */
export interface BarRange {
  readonly from: number;
  readonly to: number;
}

/**
 * Some bars of a tune as a tune of their own: places of bars are counted from the first of them. It takes time by what is
 * taken out, however long the tune is.
 */
export function excerptOf(tune: Tune, { from, to }: BarRange): Tune {
  const start = tune.bars[from]?.start ?? 0;
  const end = tune.bars[to + 1]?.start ?? Infinity;
  const cut = <T extends { readonly bar: number }>(all: readonly T[]): T[] =>
    all
      .slice(
        firstPlace(all, ({ bar }) => bar >= from),
        firstPlace(all, ({ bar }) => bar > to),
      )
      .map((each) => (from === 0 ? each : { ...each, bar: each.bar - from }));
  return {
    ...tune,
    bars: tune.bars.slice(from, to + 1),
    notes: cut(tune.notes),
    beneath: tune.beneath && cut(tune.beneath),
    chords: tune.chords && cut(tune.chords),
    keys: keysIn(tune, { from, to }).map((key) => ({ ...key, bar: key.bar - from })),
    phraseMarks: tune.phraseMarks?.filter(({ onset }) => onset >= start - EPSILON && onset < end - EPSILON),
  };
}

/** The keys that are declared for some bars: the one in force where they begin, and those that come in them. */
function keysIn({ keys = [] }: Tune, { from, to }: BarRange): readonly DeclaredKey[] {
  const first = keys.findLast(({ bar }) => bar <= from);
  return [...(first ? [{ ...first, bar: from }] : []), ...keys.filter(({ bar }) => bar > from && bar <= to)];
}

/** The first place in a list in order at which something holds; its length where it never does. */
export function firstPlace<T>(all: readonly T[], is: (each: T) => boolean): number {
  let [low, high] = [0, all.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (is(all[middle] as T)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * A tune with only some of its bars sounding, without the notes that are left out. Its bars are all there, and notes keep what
 * bar they stand in; where nothing is left out it is the same tune. Without its melody, the next voice takes its place.
 *
 * @param without places of notes, melody first
 */
export function partOf(tune: Tune, { from, to }: BarRange, without: ReadonlySet<number> = new Set()): Tune {
  if (without.size === 0 && from <= 0 && to >= tune.bars.length - 1) return tune;
  const isIn = ({ bar }: { readonly bar: number }) => bar >= from && bar <= to;
  const count = tune.notes.length;
  const notes = tune.notes.filter((note, at) => isIn(note) && !without.has(at));
  const beneath = tune.beneath?.filter((note, at) => isIn(note) && !without.has(count + at));
  const chords = tune.chords?.filter(isIn);
  const keys = keysIn(tune, { from, to });
  if (notes.length > 0 || !beneath?.[0]) return { ...tune, notes, beneath, chords, keys };
  const next = beneath.reduce((least, { voice = 1 }) => Math.min(least, voice), Infinity);
  const isNext = ({ voice = 1 }: TuneNote) => voice === next;
  const others = beneath.filter((note) => !isNext(note));
  return { ...tune, notes: beneath.filter(isNext), beneath: others, chords, keys };
}

/** The note of a melody that sounds at a time. */
export function soundingAt(notes: readonly TuneNote[], time: number): TuneNote | undefined {
  const next = firstPlace(notes, ({ onset }) => onset > time + EPSILON);
  const note = notes[next - 1];
  return note && note.onset + note.duration > time + EPSILON ? note : undefined;
}
