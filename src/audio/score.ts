import { type Fifths, halfSteps, type Interval, letterOf, midiOf, modulo, soundOf } from "@/core/pitch";
import { type Chart, type Chord, chordNotes, playOrder, quartersOf } from "@/core/chord";
import type { Vamp } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { feltBeat, type Tune, type TuneNote } from "@/core/tune";

/** Who plays: the plucked line, the held home note, chords on a soft keyboard, their bass, the metronome. */
export const PARTS = ["line", "drone", "chord", "bass", "click"] as const;
export type Part = (typeof PARTS)[number];

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
 * The characteristic note and its ordinary neighbour, alternating: the mode up and down with the one, then with the other, over the
 * held home note, round and round.
 */
export function swapScore(homeMode: HomeMode, from: Interval, to: Interval): Score {
  const own = modeScore(homeMode, true);
  return alternating(own, swapped(own, { home: homeMode.home, from, to }));
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
  return { notes, beats: at, loops: false, marks };
}

/** A bar of a held home note, round and round. */
export function droneScore(home: Fifths): Score {
  return { notes: [drone(home, BEATS_A_BAR)], beats: BEATS_A_BAR, loops: true };
}

/** Chords over a bass that stays on home and is struck on every beat. */
export function pedalScore(home: Fifths, { chords }: Pick<Vamp, "chords">): Score {
  const beats = chords.length * BEATS_A_BAR;
  const midi = atOrAbove(BASS_FROM, soundOf(home));
  const pulse = Array.from({ length: beats }, (_, at): ScoreNote => ({ part: "bass", midi, at, length: 1 }));
  const over = vampScore({ chords }).notes.filter(({ part }) => part === "chord");
  return { notes: [...pulse, ...over], beats, loops: true };
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
  }));
  return { notes: [...notes, drone(home, beats)], beats, loops: false };
}

/** Sounds as they are taken on a neck: one after another from the lowest string, then held. */
export function voicingScore(midis: readonly number[]): Score {
  const strum = 0.06;
  return {
    notes: midis.map((midi, at): ScoreNote => ({ part: "line", midi, at: at * strum, length: BEATS_A_BAR })),
    beats: BEATS_A_BAR,
    loops: false,
  };
}

/** Two grips back and forth, two beats each: a chord and its inflection. */
export function rockScore(first: readonly number[], second: readonly number[]): Score {
  const half = BEATS_A_BAR / 2;
  const struck = (midis: readonly number[], at: number) =>
    midis.map((midi): ScoreNote => ({ part: "chord", midi, at, length: half }));
  return { notes: [...struck(first, 0), ...struck(second, half)], beats: BEATS_A_BAR, loops: true };
}

/** Two beats of A4, to set the volume by before headphones go on. */
export const testScore = (): Score => ({
  notes: [{ part: "chord", midi: 69, at: 0, length: 2 }],
  beats: 2,
  loops: false,
});

/** Pitches of the metronome: the first beat of the bar, and the others. */
const ACCENT = 96;
const BEAT = 89;

const clicks = (beats: number): readonly ScoreNote[] =>
  Array.from({ length: Math.floor(beats + 1e-6) }, (_, at) => ({
    part: "click",
    midi: at % BEATS_A_BAR === 0 ? ACCENT : BEAT,
    at,
    length: 0.1,
  }));

/** A score with the metronome. */
export const withClick = (score: Score): Score => ({
  ...score,
  notes: [...score.notes, ...clicks(score.beats)],
});

/** So many beats of the metronome before something begins. */
export const countIn = (beats: number): Score => ({ notes: clicks(beats), beats, loops: false });

/** A score without the held home note. */
export const withoutDrone = (score: Score): Score => ({
  ...score,
  notes: score.notes.filter(({ part }) => part !== "drone"),
});

/** One degree of a mode and what takes its place. */
export interface Swapping {
  readonly home: Fifths;
  readonly from: Interval;
  readonly to: Interval;
}

/**
 * A score with one note of its mode swapped for its neighbour wherever it sounds, in the line, the chords and the bass.
 *
 * @example swapped(modeScore(D Dorian), { home: D, from: 6, to: ♭6 }) // every B is a B♭
 */
export function swapped(score: Score, { home, from, to }: Swapping): Score {
  const sound = soundOf(home + from);
  const by = Math.round((to - from) / 7);
  return {
    ...score,
    notes: score.notes.map((note) =>
      note.part !== "click" && note.part !== "drone" && modulo(note.midi, 12) === sound
        ? { ...note, midi: note.midi + by }
        : note,
    ),
  };
}

/** Chords of a vamp one after another, a bar each, round and round. */
export function vampScore({ chords }: { readonly chords: readonly Chord[] }): Score {
  return {
    notes: chords.flatMap((chord, at) => chordScore(chord, at * BEATS_A_BAR, BEATS_A_BAR)),
    beats: chords.length * BEATS_A_BAR,
    loops: true,
  };
}

/** Beats that a chord of a chart lasts. */
function beatsAt({ chords, bars }: Pick<Chart, "chords" | "bars">, at: number): number {
  const place = chords[at];
  const bar = place && bars[place.bar - 1];
  return bar ? place.length * quartersOf(bar.meter) : 0;
}

/**
 * The chords of a chart as they are played, or those of some places, round and round, with a mark at each. Places that could
 * not be read are silent.
 */
export function chartScore(
  chart: Pick<Chart, "chords" | "bars" | "order">,
  places: readonly number[] = chart.order,
): Score {
  let at = 0;
  const marks: number[] = [];
  const notes = places.flatMap((place) => {
    const begins = at;
    const length = beatsAt(chart, place);
    const chord = chart.chords[place]?.chord;
    marks.push(begins);
    at += length;
    return chord ? chordScore(chord, begins, length) : [];
  });
  return { notes, beats: at, loops: true, marks };
}

/** Notes of the line that go to a beat while a target note is practised. */
const PRACTICE_NOTE = 0.5;

/**
 * Chords with a line to practise a target note by, in either of two ways: `save` leaves it out of the other chords and begins
 * on it over its own; `throughout` uses it over all of them. The line goes up and down the notes it is given; over its own chord a target
 * note outside them stands for the one on its letter.
 *
 * @param notes the notes of the mode from home up, as names, for each place
 */
export function targetScore(
  chart: Pick<Chart, "chords" | "bars" | "order">,
  places: readonly number[],
  target: { readonly at: number; readonly note: Fifths; readonly way: "save" | "throughout" },
  notes: (place: number) => readonly Fifths[],
): Score {
  const chords = chartScore(chart, places);
  const line = places.flatMap((place, n) => {
    const begins = chords.marks?.[n] ?? 0;
    const isOwn = place === target.at;
    const all = isOwn
      ? withNote(notes(place), target.note)
      : notes(place).filter((note) => target.way === "throughout" || soundOf(note) !== soundOf(target.note));
    const home = notes(place)[0] ?? 0;
    const low = atOrAbove(LINE_FROM, soundOf(home));
    const up = all.map((note) => low + modulo(soundOf(note) - soundOf(home), 12)).sort((a, b) => a - b);
    const start = isOwn ? up.findIndex((midi) => modulo(midi, 12) === soundOf(target.note)) : 0;
    const round = [...up, ...up.slice(1, -1).reverse()];
    return Array.from(
      { length: Math.floor(beatsAt(chart, place) / PRACTICE_NOTE) },
      (_, step): ScoreNote => ({
        part: "line",
        midi: round[modulo(Math.max(0, start) + step, round.length)] ?? low,
        at: begins + step * PRACTICE_NOTE,
        length: PRACTICE_NOTE,
      }),
    );
  });
  return { ...chords, notes: [...chords.notes, ...line] };
}

/** Notes with one among them: where none sounds like it, in place of what stands on its letter. */
const withNote = (notes: readonly Fifths[], note: Fifths): readonly Fifths[] =>
  notes.some((each) => soundOf(each) === soundOf(note))
    ? notes
    : [...notes.filter((each) => letterOf(each) !== letterOf(note)), note];

/** Chords over a held bass, a bar each and once through, with a mark at each; where there is none the bass is heard alone. */
export function overBassScore(bass: Fifths, chords: readonly (Chord | undefined)[]): Score {
  const beats = chords.length * BEATS_A_BAR;
  return {
    notes: [
      { part: "drone", midi: atOrAbove(BASS_FROM, soundOf(bass)), at: 0, length: beats },
      ...chords.flatMap((chord, at) =>
        chord ? chordScore(chord, at * BEATS_A_BAR, BEATS_A_BAR).filter(({ part }) => part === "chord") : [],
      ),
    ],
    beats,
    loops: false,
    marks: chords.map((_, at) => at * BEATS_A_BAR),
  };
}

/** Bars of a tune that are played at most, however many repeats there are. */
const MOST_BARS = 20_000;
const ONCE = { opens: false, times: 1, endings: [] };

/**
 * A tune, its beats those that players feel (three to a 9/8 bar): the melody over what lies beneath it.
 *
 * @param repeats taken as they are written, endings too; otherwise every bar is played once
 */
export function tuneScore(tune: Tune, repeats = false): Score {
  const beat = feltBeat(tune.meter);
  const signs = tune.bars.map((bar) => bar.signs ?? ONCE);
  const order = repeats ? playOrder(signs, MOST_BARS) : tune.bars.map((_, at) => at);
  const byBar = tune.bars.map((): ScoreNote[] => []);
  const put = (notes: readonly TuneNote[], part: Part) => {
    for (const { pitch, onset, duration, bar } of notes)
      byBar[bar]?.push({
        part,
        midi: midiOf(pitch),
        at: (onset - (tune.bars[bar]?.start ?? 0)) / beat,
        length: duration / beat,
      });
  };
  put(tune.notes, "line");
  put(tune.beneath ?? [], "chord");
  let start = 0;
  const notes: ScoreNote[] = [];
  for (const at of order) {
    for (const note of byBar[at] ?? []) notes.push({ ...note, at: note.at + start });
    start += (tune.bars[at]?.length ?? 0) / beat;
  }
  return { notes, beats: start, loops: false };
}

/** One score after another: the first, then the second, round and round, with a mark where each begins. */
export function alternating(one: Score, other: Score): Score {
  return {
    notes: [...one.notes, ...other.notes.map((note) => ({ ...note, at: note.at + one.beats }))],
    beats: one.beats + other.beats,
    loops: true,
    marks: [0, one.beats],
  };
}
