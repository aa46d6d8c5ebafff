import { type Fifths, halfSteps, type Interval, midiOf, modulo, soundOf } from "@/core/pitch";
import { type ChartChord, type Chord, chordNotes, type Vamp } from "@/core/chord";
import type { HomeMode } from "@/core/scale";
import { feltBeat, type Tune } from "@/core/tune";

/** Who plays: the melody line, the held home note, chords, their bass. */
export type Part = "line" | "drone" | "chord" | "bass";

/** A note to be played. Times are in beats from the start of the score. */
export interface ScoreNote {
  readonly part: Part;
  readonly midi: number;
  readonly at: number;
  readonly length: number;
}

/** Something to play: notes, how many beats it lasts, whether it goes round. */
export interface Score {
  readonly notes: readonly ScoreNote[];
  readonly beats: number;
  readonly loops: boolean;
  /** Beats at which the next of several things begins, so that what is heard can be shown. */
  readonly marks?: readonly number[];
}

/** The home of a line lies in the octave from here up: G3, low enough to sing. */
const LINE_FROM = 55;
const DRONE_FROM = 43;
const BASS_FROM = 36;
const CHORD_FROM = 52;

/** The first sounding pitch class at or above a MIDI number. */
const atOrAbove = (from: number, sound: number): number => from + modulo(sound - from, 12);

/** A held home note, an octave below the line, for as long as the score lasts. */
function drone(home: Fifths, beats: number): ScoreNote {
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
  return { notes: withDrone ? [...notes, drone(home, beats)] : notes, beats, loops: false };
}

/**
 * The colour note and its ordinary neighbour by turns: the mode up and down with the one, then with the other, over the
 * held home note, round and round.
 */
export function swapScore(homeMode: HomeMode, from: Interval, to: Interval): Score {
  const intervals = homeMode.mode.intervals.map((interval) => (interval === from ? to : interval));
  return byTurns(
    modeScore(homeMode, true),
    modeScore({ ...homeMode, mode: { ...homeMode.mode, intervals } }, true),
  );
}

/** A chord in close position above its bass. */
function chordScore(chord: Chord, at: number, length: number): readonly ScoreNote[] {
  const bass = atOrAbove(BASS_FROM, soundOf(chord.bass ?? chord.root));
  const upper = [...new Set(chordNotes(chord).map((note) => atOrAbove(CHORD_FROM, soundOf(note))))];
  return [
    { part: "bass", midi: bass, at, length },
    ...upper.map((midi): ScoreNote => ({ part: "chord", midi, at, length })),
  ];
}

const BEATS_A_BAR = 4;

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
export function pathScore(modes: readonly HomeMode[]): Score {
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
  return { notes, beats: at, loops: false, marks };
}

/** A two-chord vamp, a bar each, round and round. */
export function vampScore({ chords }: Pick<Vamp, "chords">): Score {
  return {
    notes: chords.flatMap((chord, at) => chordScore(chord, at * BEATS_A_BAR, BEATS_A_BAR)),
    beats: chords.length * BEATS_A_BAR,
    loops: true,
  };
}

/** The chords of a chart, or of a stretch of it, round and round. Places that could not be read are silent. */
export function chartScore(chords: readonly ChartChord[]): Score {
  let at = 0;
  const notes = chords.flatMap(({ chord, length }) => {
    const begins = at;
    at += length * BEATS_A_BAR;
    return chord ? chordScore(chord, begins, length * BEATS_A_BAR) : [];
  });
  return { notes, beats: at, loops: true };
}

/**
 * A tune, its beats those that players feel (three to a 9/8 bar), with a note swapped for another where asked: the swap
 * names half steps above a home and moves every note of that degree.
 */
export function tuneScore(
  tune: Tune,
  swap?: { readonly home: Fifths; readonly from: Interval; readonly to: Interval },
): Score {
  const beat = feltBeat(tune.meter);
  const moved = swap ? halfSteps(swap.from) : -1;
  const by = swap ? Math.round((swap.to - swap.from) / 7) : 0;
  const notes = tune.notes.map(({ pitch, onset, duration }): ScoreNote => {
    const above = swap ? modulo(soundOf(pitch.name) - soundOf(swap.home), 12) : NaN;
    return {
      part: "line",
      midi: midiOf(pitch) + (above === moved ? by : 0),
      at: onset / beat,
      length: duration / beat,
    };
  });
  const last = tune.bars.at(-1);
  return { notes, beats: last ? (last.start + last.length) / beat : 0, loops: false };
}

/** One score after another: the first, then the second, round and round. */
export function byTurns(one: Score, other: Score): Score {
  return {
    notes: [...one.notes, ...other.notes.map((note) => ({ ...note, at: note.at + one.beats }))],
    beats: one.beats + other.beats,
    loops: true,
  };
}
