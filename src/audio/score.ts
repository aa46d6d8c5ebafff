import type { Chord } from "@/core/chord";
import { type Fifths, halfSteps, type Interval, modulo, soundOf } from "@/core/pitch";
import type { HomeMode } from "@/core/scale";
import type { Meter } from "@/core/tune";

/** Who plays: the plucked line, the held home note, chords on a soft keyboard, their bass, the metronome. */
export const PARTS = ["line", "drone", "chord", "bass", "click"] as const;
export type Part = (typeof PARTS)[number];

/** A note to be played. Times are in beats from the start of the score. */
export interface ScoreNote {
  readonly part: Part;
  readonly midi: number;
  readonly at: number;
  readonly length: number;
  /** Seconds after its place at which it is struck, whatever the tempo: the strings of a strum follow one another. */
  readonly late?: number;
  /** How hard it is struck, from 0 to 1; `USUAL` where nothing is said. */
  readonly loud?: number;
  /** Which note of its line it is, from 0, where that is to be followed. */
  readonly nth?: number;
}

/** How hard a note is struck that nothing is said of. */
export const USUAL = 0.8;

/** A chord that is still to be laid out for who plays it. Times are in beats. */
export interface ScoreChord {
  readonly chord: Chord;
  readonly at: number;
  readonly length: number;
  /** Beats from one felt beat of its bar to the next, and into how many parts that falls: three in 6/8, one in 7/8. */
  readonly pulse: number;
  readonly parts: 1 | 2 | 3;
  /** Another part has the bass. */
  readonly isOverBass?: boolean;
}

/** A beat that the metronome strikes, and how far it is to the next. */
export interface Pulse {
  readonly at: number;
  readonly each: number;
  /** The first of its bar. */
  readonly isFirst: boolean;
}

/** Something to play: notes, how many beats it lasts, whether it goes round. */
export interface Score {
  readonly notes: readonly ScoreNote[];
  /** Chords beside the notes, laid out when they are played. */
  readonly chords?: readonly ScoreChord[];
  readonly beats: number;
  readonly loops: boolean;
  /** The meter of its first bar; four quarters where nothing is said. */
  readonly meter?: Meter;
  /** Where the metronome strikes; on every beat, four to the bar, where nothing is said. */
  readonly pulses?: readonly Pulse[];
  /** The line says no octave of its own: it is played where the instrument plays such lines. */
  readonly isFree?: true;
  /** Beats at which the next of several things begins, so that what is heard can be shown. */
  readonly marks?: readonly number[];
}

/** Scores one after another, each once, with a mark where each begins. */
export function oneAfterAnother(all: readonly Score[]): Score {
  let start = 0;
  const notes: ScoreNote[] = [];
  const chords: ScoreChord[] = [];
  const marks: number[] = [];
  for (const score of all) {
    marks.push(start);
    for (const note of score.notes) notes.push({ ...note, at: note.at + start });
    for (const chord of score.chords ?? []) chords.push({ ...chord, at: chord.at + start });
    start += score.beats;
  }
  return { notes, chords, beats: start, loops: false, marks };
}

/** What of a score stands from one of its marks to the next, counted from there. */
export function betweenMarks(score: Score, nth: number): Score {
  const { marks = [0], beats } = score;
  const from = marks[nth] ?? 0;
  const to = marks[nth + 1] ?? beats;
  const part = <T extends { readonly at: number }>(all: readonly T[]): readonly T[] =>
    all
      .filter(({ at }) => at >= from - 1e-6 && at < to - 1e-6)
      .map((each) => ({ ...each, at: each.at - from }));
  return {
    notes: part(score.notes),
    ...(score.chords ? { chords: part(score.chords) } : {}),
    beats: to - from,
    loops: false,
    ...(score.meter ? { meter: score.meter } : {}),
  };
}

/** The home of a line lies in the octave from here up: G3, low enough to sing. */
export const LINE_FROM = 55;
export const DRONE_FROM = 43;
export const BASS_FROM = 36;
const CHORD_FROM = 52;

/** The first sounding pitch class at or above a MIDI number. */
export const atOrAbove = (from: number, sound: number): number => from + modulo(sound - from, 12);

/** The lowest note that is held: below it a reed organ only growls. */
export const DRONE_LOWEST = 31;

/** The held note under a home: an octave below it where that is not too low. */
const droneUnder = (home: number): number => (home - 12 >= DRONE_LOWEST ? home - 12 : home);

/** A held home note, an octave below the line, for as long as the score lasts. */
export function drone(home: Fifths, beats: number): ScoreNote {
  return { part: "drone", midi: atOrAbove(DRONE_FROM, soundOf(home)), at: 0, length: beats };
}

/** Half steps of a mode up to the octave and down again, home once at the top and at the end. */
function upAndDown(intervals: readonly Interval[]): readonly number[] {
  const up = [...intervals.map(halfSteps), 12];
  return [...up, ...up.slice(0, -1).reverse()];
}

function line(home: Fifths, steps: readonly number[], length: number): readonly ScoreNote[] {
  const low = atOrAbove(LINE_FROM, soundOf(home));
  return steps.map((step, at) => ({ part: "line", midi: low + step, at: at * length, length }));
}

/**
 * The mode up and down in half beats over its held home note; the last note is held for a beat.
 *
 * @example modeScore({ home: 2, mode: dorian }, true).notes.filter(({ part }) => part === "line").length // 15
 */
export function modeScore({ home, mode }: HomeMode, withDrone: boolean): Score {
  const notes = [...line(home, upAndDown(mode.intervals), 0.5)];
  const last = notes.pop();
  const beats = 8;
  if (last) notes.push({ ...last, length: beats - last.at });
  return { notes: withDrone ? [...notes, drone(home, beats)] : notes, beats, loops: false, isFree: true };
}

/** Beats to a bar where nothing else is said. */
export const BEATS_A_BAR = 4;

/**
 * Notes of one chord as they are given, each above the one before: one after another, then together.
 *
 * @example risingChordScore([2, -1, 3]).notes.map(({ midi }) => midi) // D3 F3 A3, then the three of them again
 */
export function risingChordScore(notes: readonly Fifths[]): Score {
  let below = CHORD_FROM - 3;
  const midis = notes.map((note) => {
    below = atOrAbove(below + 1, soundOf(note));
    return below;
  });
  const begins = midis.length / 2;
  return {
    notes: [
      ...midis.map((midi, at): ScoreNote => ({ part: "line", midi, at: at / 2, length: 0.5 })),
      ...midis.map((midi): ScoreNote => ({ part: "chord", midi, at: begins, length: BEATS_A_BAR })),
    ],
    beats: begins + BEATS_A_BAR,
    loops: false,
  };
}

/** How a path through several modes goes: each up to the octave, a beat of rest between. */
export function ladderScore(modes: readonly HomeMode[]): Score {
  let at = 0;
  const marks: number[] = [];
  const notes = modes.flatMap(({ home, mode }) => {
    const steps = [...mode.intervals.map(halfSteps), 12];
    const begins = at;
    marks.push(begins);
    at += steps.length / 2 + 1;
    const low = atOrAbove(LINE_FROM, soundOf(home));
    return [
      ...line(home, steps, 0.5).map((note) => ({ ...note, at: note.at + begins })),
      {
        part: "drone",
        midi: atOrAbove(DRONE_FROM, low % 12),
        at: begins,
        length: at - begins,
      } satisfies ScoreNote,
    ];
  });
  return { notes, beats: at, loops: false, marks, isFree: true };
}

/** A bar of a held home note, round and round. */
export function droneScore(home: Fifths): Score {
  return { notes: [drone(home, BEATS_A_BAR)], beats: BEATS_A_BAR, loops: true };
}

/** How many notes of a line go to a beat: quarters, eighths, triplets, sixteenths. */
export const RHYTHMS = { quarters: 1, eighths: 2, triplets: 3, sixteenths: 4 } as const;
export type Rhythm = keyof typeof RHYTHMS;

/**
 * A line to practise over its held home note: even notes, the last one held until the bar is full, so that it can go round.
 *
 * @example lineScore([50, 52, 53], "eighths", 2).beats // 4
 */
export function lineScore(midis: readonly number[], rhythm: Rhythm, home: Fifths): Score {
  const each = 1 / RHYTHMS[rhythm];
  const beats = Math.ceil((midis.length * each) / BEATS_A_BAR) * BEATS_A_BAR;
  const notes = midis.map((midi, at): ScoreNote => ({
    part: "line",
    midi,
    at: at * each,
    length: at === midis.length - 1 ? beats - at * each : each,
    nth: at,
  }));
  const homes = midis.filter((midi) => modulo(midi, 12) === soundOf(home));
  const low = homes.length > 0 ? Math.min(...homes) : Math.min(...midis, LINE_FROM);
  return { notes: [...notes, { ...drone(home, beats), midi: droneUnder(low) }], beats, loops: false };
}

/** Seconds between two strings of a strum. */
const STRUM = 0.014;

/** Several notes at once are struck more softly each, so that they are not louder than one. */
const together = (notes: number): number => USUAL * Math.min(1, 1.9 / Math.sqrt(Math.max(1, notes)));

/**
 * A chord struck from the lowest string up, or from the highest down.
 *
 * @param midis from the lowest string to the highest
 */
export function strummed(
  midis: readonly number[],
  { part, at, length, way = "down", loud = 1 }: Strumming,
): readonly ScoreNote[] {
  const inOrder = way === "down" ? midis : midis.toReversed();
  return inOrder.map((midi, place) => ({
    part,
    midi,
    at,
    length,
    late: place * STRUM,
    loud: together(midis.length) * loud,
  }));
}

interface Strumming {
  readonly part: Part;
  readonly at: number;
  readonly length: number;
  /** The hand moves down, over the lowest string first, or up. */
  readonly way?: "down" | "up";
  /** How hard, beside what is usual. */
  readonly loud?: number;
}

/** A voicing as it is taken on a neck: strummed, then held. */
export const voicingScore = (midis: readonly number[]): Score => ({
  notes: strummed(midis, { part: "line", at: 0, length: BEATS_A_BAR }),
  beats: BEATS_A_BAR,
  loops: false,
});

/** Two grips back and forth, two beats each: a chord and its inflection. */
export function rockScore(first: readonly number[], second: readonly number[]): Score {
  const half = BEATS_A_BAR / 2;
  return {
    notes: [
      ...strummed(first, { part: "line", at: 0, length: half }),
      ...strummed(second, { part: "line", at: half, length: half }),
    ],
    beats: BEATS_A_BAR,
    loops: true,
  };
}

/** Two beats of A4, to set the volume by before headphones go on. */
export const testScore = (): Score => ({
  notes: [{ part: "chord", midi: 69, at: 0, length: 2 }],
  beats: 2,
  loops: false,
});

/** Whether there is nothing to hear. */
export const isSilent = ({ notes, chords = [] }: Score): boolean => notes.length === 0 && chords.length === 0;

/** A score without the held home note. */
export const withoutDrone = (score: Score): Score => ({
  ...score,
  notes: score.notes.filter(({ part }) => part !== "drone"),
});

/**
 * Notes of one part as files have them, in quarters.
 *
 * @param beat quarters to a beat of the score
 */
export const partInQuarters = (
  notes: readonly ScoreNote[],
  part: Part,
  beat: number,
): readonly Pick<ScoreNote, "midi" | "at" | "length" | "loud">[] =>
  notes
    .filter((note) => note.part === part)
    .map(({ midi, at, length, loud }) => ({
      midi,
      at: at * beat,
      length: length * beat,
      ...(loud === undefined ? {} : { loud }),
    }));
