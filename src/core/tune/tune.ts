import type { BarSigns, Chord } from "../chord";
import { midiOf, type Pitch, soundOf } from "../pitch";
import type { HomeMode } from "../scale";

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
  /** Which voice it is in, by its place in `Tune.voices`; left out for the melody, which is the first. */
  readonly voice?: number | undefined;
}

/** What says that a phrase ends on the note that begins at an onset, in quarters: a fermata, or a place to breathe. */
export interface PhraseMark {
  readonly onset: number;
  readonly sign: "fermata" | "breath";
}

/** Marks of several voices as one list: each onset once, the fermata before the breath. */
export function joinedMarks(marks: readonly PhraseMark[]): readonly PhraseMark[] {
  const byOnset = new Map<number, PhraseMark>();
  for (const mark of marks)
    if (mark.sign === "fermata" || !byOnset.has(mark.onset)) byOnset.set(mark.onset, mark);
  return [...byOnset.values()].sort((a, b) => a.onset - b.onset);
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

/** The notes of one voice, by its place in `Tune.voices`. */
export const voiceNotes = ({ notes, beneath = [] }: Tune, voice: number): readonly TuneNote[] =>
  voice === 0 ? notes : beneath.filter((note) => (note.voice ?? 1) === voice);

/** The place of the note so many steps along the same voice; the first or last where there are no more. */
export function noteBeside(tune: Tune, place: number, steps: number): number {
  const all = allNotes(tune);
  const own = all[place]?.voice ?? 0;
  const line = all.flatMap(({ voice = 0 }, at) => (voice === own ? [at] : []));
  const next = Math.max(0, Math.min(line.length - 1, line.indexOf(place) + steps));
  return line[next] ?? place;
}

/** The place of the note that sounds at the same time so many voices down; the same where there is none. */
export function noteAcross(tune: Tune, place: number, voices: number): number {
  const all = allNotes(tune);
  const { onset = 0, voice = 0 } = all[place] ?? {};
  const line = all.flatMap((note, at) => ((note.voice ?? 0) === voice + voices ? [at] : []));
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

export interface Meter {
  readonly beats: number;
  /** Note value of a beat: 4 a quarter, 8 an eighth. */
  readonly unit: number;
}

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

/** Length of a whole bar in quarters. */
export const barLength = ({ beats, unit }: Meter): number => (beats * 4) / unit;

/** The beat that players feel, in quarters: a dotted quarter in 6/8, 9/8 and 12/8, otherwise the unit. */
export function feltBeat({ beats, unit }: Meter): number {
  return unit === 8 && beats % 3 === 0 ? 1.5 : 4 / unit;
}

const EPSILON = 1e-6;

/** Whether a time falls on a multiple of a step, within rounding. */
const fallsOn = (time: number, step: number) => Math.abs(time / step - Math.round(time / step)) < EPSILON;

/** A bar as a reader finds it, before it is numbered: `whole` is the length that the meter asks for. */
export interface FoundBar {
  readonly start: number;
  readonly length: number;
  readonly whole: number;
  readonly endsSection: boolean;
  readonly signs?: BarSigns | undefined;
  /** The number that is printed, where one is. */
  readonly printed?: number | undefined;
  /** It is not counted: a pickup, or a part of a bar that is split. */
  readonly isUncounted?: boolean | undefined;
}

/**
 * Numbers the bars as they are printed, or else counts them, and finds the pickups: a short bar at the start, or at the start of a
 * section after a short end, or the second part of a bar that is split.
 */
export function numberBars(found: readonly FoundBar[]): readonly TuneBar[] {
  const bars: TuneBar[] = [];
  for (const [at, { start, length, whole, endsSection, signs, printed, isUncounted }] of found.entries()) {
    const before = found[at - 1];
    const isShort = length < whole - EPSILON;
    const parted =
      before !== undefined &&
      (before.endsSection || isUncounted === true) &&
      isShort &&
      before.length < before.whole - EPSILON &&
      before.length + length <= whole + EPSILON;
    const isPickup = parted || (at === 0 && isShort && found.length > 1);
    const counted = (bars.at(-1)?.number ?? 0) + (isPickup || isUncounted === true ? 0 : 1);
    const number = printed ?? counted;
    bars.push({
      number,
      start,
      length,
      lead: isPickup ? whole - length : 0,
      endsSection: endsSection && !(isPickup && at === 0),
      ...(signs ? { signs } : {}),
    });
  }
  return bars;
}

/** The stress of a note between beats. */
export const OFF_BEAT = 0.3;

/** Metric stress: 1 on the downbeat, 0.6 on another beat, 0.3 between beats. */
export function stressOf(tune: Tune, note: TuneNote): number {
  const bar = tune.bars[note.bar];
  const place = bar ? note.onset - bar.start + bar.lead : 0;
  if (place < EPSILON) return 1;
  return fallsOn(place, feltBeat(tune.meter)) ? 0.6 : OFF_BEAT;
}

export const isDownbeat = (tune: Tune, note: TuneNote): boolean => stressOf(tune, note) === 1;

/** Indices of the notes that end a section: the last before a repeat, a double bar or the end. */
export function sectionEnds(tune: Tune): readonly number[] {
  return tune.notes.flatMap((note, at) => {
    const next = tune.notes[at + 1];
    if (!next) return [at];
    const ends = tune.bars.slice(note.bar, next.bar).some((bar) => bar.endsSection);
    return ends ? [at] : [];
  });
}

/** Marks say where phrases end where there are as many as this; one alone is a pause. */
const FEWEST_MARKS = 2;

/**
 * Indices of the notes that end a phrase. Where fermatas, breath marks or the text say so, those and the section ends. Otherwise
 * every section end, and within a section the last note of each fourth bar, or of each second where that note is longer than
 * a beat or a rest follows it. A pickup belongs to the phrase that it leads into. (Phrases of two and four bars as in dances
 * and songs; long notes and rests as boundaries after E. Cambouropoulos, "The local boundary detection model", 2001.)
 */
export function phraseEnds(tune: Tune): readonly number[] {
  const { phraseMarks = [] } = tune;
  if (phraseMarks.length >= FEWEST_MARKS) {
    const marked = phraseMarks.flatMap(({ onset }) => {
      const next = firstPlace(tune.notes, (note) => note.onset > onset + EPSILON);
      return next > 0 ? [next - 1] : [];
    });
    return [...new Set([...marked, ...sectionEnds(tune)])].sort((a, b) => a - b);
  }
  const ends = new Set(sectionEnds(tune));
  const pickup = tune.bars[0]?.lead ? tune.bars[0].length : 0;
  const beat = feltBeat(tune.meter);
  let inSection = 0;
  let next = 0;
  for (const [at, bar] of tune.bars.entries()) {
    if (bar.lead === 0) inSection += 1;
    if (bar.endsSection) inSection = 0;
    else if (inSection > 0 && inSection % 2 === 0) {
      const limit = bar.start + bar.length - pickup - EPSILON;
      while ((tune.notes[next]?.onset ?? Infinity) < limit) next += 1;
      const note = tune.notes[next - 1];
      const following = tune.notes[next];
      if (!note || !following || note.bar !== at) continue;
      const isLong = note.duration > beat + EPSILON || following.onset > note.onset + note.duration + EPSILON;
      if (inSection % 4 === 0 || isLong) ends.add(next - 1);
    }
  }
  return [...ends].sort((a, b) => a - b);
}

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
    phraseMarks: tune.phraseMarks?.filter(({ onset }) => onset >= start - EPSILON && onset < end - EPSILON),
  };
}

/** The first place in a list in order at which something holds; its length where it never does. */
function firstPlace<T>(all: readonly T[], is: (each: T) => boolean): number {
  let [low, high] = [0, all.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (is(all[middle] as T)) high = middle;
    else low = middle + 1;
  }
  return low;
}

/**
 * A tune of which only some bars sound, and without the notes that are left out. Its bars are all there, and notes keep what
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
  if (notes.length > 0 || !beneath?.[0]) return { ...tune, notes, beneath, chords };
  const next = beneath.reduce((least, { voice = 1 }) => Math.min(least, voice), Infinity);
  const isNext = ({ voice = 1 }: TuneNote) => voice === next;
  return { ...tune, notes: beneath.filter(isNext), beneath: beneath.filter((note) => !isNext(note)), chords };
}
