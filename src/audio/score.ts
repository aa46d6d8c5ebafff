import { type Fifths, halfSteps, type Interval, letterOf, midiOf, modulo, soundOf } from "@/core/pitch";
import { type Chart, type Chord, playOrder, quartersOf } from "@/core/chord";
import type { Vamp } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { EPSILON, feltBeat, type Meter, type Tune, type TuneNote } from "@/core/tune";

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
  /** Beats from one felt beat of its bar to the next, and into how many parts that falls: three in 6/8. */
  readonly pulse: number;
  readonly parts: 2 | 3;
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

/** The home of a line lies in the octave from here up: G3, low enough to sing. */
const LINE_FROM = 55;
const DRONE_FROM = 43;
const BASS_FROM = 36;
const CHORD_FROM = 52;

/** The first sounding pitch class at or above a MIDI number. */
const atOrAbove = (from: number, sound: number): number => from + modulo(sound - from, 12);

/** The lowest note that is held: below it a reed organ only growls. */
const DRONE_LOWEST = 31;

/** The held note under a home: an octave below it where that is not too low. */
const droneUnder = (home: number): number => (home - 12 >= DRONE_LOWEST ? home - 12 : home);

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
  return { notes: withDrone ? [...notes, drone(home, beats)] : notes, beats, loops: false, isFree: true };
}

/**
 * The characteristic note and its ordinary neighbour, alternating: the mode up and down with the one, then with the other, over the
 * held home note, round and round.
 */
export function swapScore(homeMode: HomeMode, from: Interval, to: Interval): Score {
  const own = modeScore(homeMode, true);
  return alternating(own, swapped(own, { home: homeMode.home, from, to }));
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
  return { notes, beats: at, loops: false, marks, isFree: true };
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
  return { notes: pulse, chords: inBars(chords, true), beats, loops: true };
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

/** Keys of the metronome among those of percussion: two wood blocks, and claves for what lies between the beats. */
const CLICK = { first: 76, beat: 77, between: 75 } as const;
const CLICK_LENGTH = 0.1;

const plainPulses = (beats: number): readonly Pulse[] =>
  Array.from({ length: Math.floor(beats + 1e-6) }, (_, at) => ({
    at,
    each: 1,
    isFirst: at % BEATS_A_BAR === 0,
  }));

const pulsesOf = ({ pulses, beats }: Pick<Score, "pulses" | "beats">): readonly Pulse[] =>
  pulses ?? plainPulses(beats);

const click = (at: number, kind: keyof typeof CLICK): ScoreNote => ({
  part: "click",
  midi: CLICK[kind],
  at,
  length: CLICK_LENGTH,
  loud: kind === "first" ? 1 : kind === "beat" ? USUAL : 0.55,
});

/** The metronome of a score, each beat parted into so many. */
const clicks = (score: Pick<Score, "pulses" | "beats">, parts = 1): readonly ScoreNote[] =>
  pulsesOf(score).flatMap(({ at, each, isFirst }) =>
    Array.from({ length: parts }, (_, part) =>
      click(at + (part * each) / parts, part > 0 ? "between" : isFirst ? "first" : "beat"),
    ),
  );

/** A score with the metronome, each beat parted into so many. */
export const withClick = (score: Score, parts = 1): Score => ({
  ...score,
  notes: [...score.notes, ...clicks(score, parts)],
});

/** The metronome alone, in the meter of a score. */
export const clickScore = (score: Score, parts = 1): Score => ({
  notes: clicks(score, parts),
  beats: score.beats,
  loops: true,
  ...(score.pulses ? { pulses: score.pulses } : {}),
  ...(score.meter ? { meter: score.meter } : {}),
});

/** So many beats of the metronome before a score begins, counted so that its first barline falls right, pickups and all. */
export function countIn(beats: number, before?: Score): Score {
  const pulses = before ? pulsesOf(before) : [];
  const firsts = pulses.flatMap(({ isFirst }, at) => (isFirst ? [at] : []));
  const [pickup = 0, second] = firsts;
  const bar = second === undefined ? Math.max(1, pulses.length - pickup) || BEATS_A_BAR : second - pickup;
  const perBar = before?.pulses ? bar : BEATS_A_BAR;
  const each = pulses[0]?.each ?? 1;
  return {
    notes: Array.from({ length: beats }, (_, at) =>
      click(at * each, modulo(beats - at + pickup, perBar) === 0 ? "first" : "beat"),
    ),
    beats: beats * each,
    loops: false,
  };
}

/** Whether there is nothing to hear. */
export const isSilent = ({ notes, chords = [] }: Score): boolean => notes.length === 0 && chords.length === 0;

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

/** Chords a bar each. */
const inBars = (chords: readonly (Chord | undefined)[], isOverBass = false): readonly ScoreChord[] =>
  chords.flatMap((chord, at) =>
    chord ? [{ chord, at: at * BEATS_A_BAR, length: BEATS_A_BAR, pulse: 1, parts: 2, isOverBass }] : [],
  );

/** Chords of a vamp one after another, a bar each, round and round. */
export const vampScore = ({ chords }: { readonly chords: readonly Chord[] }): Score => ({
  notes: [],
  chords: inBars(chords),
  beats: chords.length * BEATS_A_BAR,
  loops: true,
});

/** The beat of a chart, in quarters: what players feel in its first bar. */
const beatOf = ({ bars }: Pick<Chart, "bars">): number => (bars[0] ? feltBeat(bars[0].meter) : 1);

/** Beats that a chord of a chart lasts. */
function beatsAt(chart: Pick<Chart, "chords" | "bars">, at: number): number {
  const place = chart.chords[at];
  const bar = place && chart.bars[place.bar - 1];
  return bar ? (place.length * quartersOf(bar.meter)) / beatOf(chart) : 0;
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
  const pulses: Pulse[] = [];
  const unit = beatOf(chart);
  let before: number | undefined;
  const chords = places.flatMap((place): readonly ScoreChord[] => {
    const begins = at;
    const length = beatsAt(chart, place);
    const { chord, bar = 1 } = chart.chords[place] ?? {};
    const meter = chart.bars[bar - 1]?.meter ?? { beats: 4, unit: 4 };
    const pulse = feltBeat(meter) / unit;
    // A chord after the first of its bar goes on in its beats.
    const isFirst = bar !== before || chart.chords[place - 1]?.bar !== bar;
    before = bar;
    for (let beat = 0; beat < length - EPSILON; beat += pulse)
      pulses.push({ at: begins + beat, each: pulse, isFirst: isFirst && beat === 0 });
    marks.push(begins);
    at += length;
    return chord ? [{ chord, at: begins, length, pulse, parts: feltBeat(meter) === 1.5 ? 3 : 2 }] : [];
  });
  return {
    notes: [],
    chords,
    beats: at,
    loops: true,
    marks,
    pulses,
    ...(chart.bars[0] ? { meter: chart.bars[0].meter } : {}),
  };
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
  return { ...chords, notes: line };
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
    notes: [{ part: "drone", midi: atOrAbove(BASS_FROM, soundOf(bass)), at: 0, length: beats }],
    chords: inBars(chords, true),
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
  const pulses: Pulse[] = [];
  for (const at of order) {
    for (const note of byBar[at] ?? []) notes.push({ ...note, at: note.at + start });
    const { length = 0, lead = 0 } = tune.bars[at] ?? {};
    const beats = length / beat;
    // A pickup stands at the end of its bar: its beats are counted back from the barline.
    const first = lead > 0 ? beats - Math.floor(beats + EPSILON) : 0;
    for (let pulse = first; pulse < beats - EPSILON; pulse += 1)
      pulses.push({ at: start + pulse, each: 1, isFirst: lead === 0 && pulse === 0 });
    start += beats;
  }
  return { notes, beats: start, loops: false, pulses, meter: tune.meter };
}

/** One score after another: the first, then the second, round and round, with a mark where each begins. */
export function alternating(one: Score, other: Score): Score {
  const later = <T extends { readonly at: number }>(each: T): T => ({ ...each, at: each.at + one.beats });
  return {
    notes: [...one.notes, ...other.notes.map(later)],
    chords: [...(one.chords ?? []), ...(other.chords ?? []).map(later)],
    beats: one.beats + other.beats,
    loops: true,
    marks: [0, one.beats],
    pulses: [...pulsesOf(one), ...pulsesOf(other).map(later)],
    ...(one.isFree && other.isFree ? { isFree: true } : {}),
  };
}

/**
 * A score where an instrument plays it: a line without an octave of its own begins on the lowest home from a key up; any other is moved by
 * octaves where it would leave the instrument's keys. The held note goes with it.
 *
 * @param low the key from which homes of free lines are sought
 * @param range the lowest and the highest key of the instrument
 */
export function placed(score: Score, low: number, range: readonly [number, number]): Score {
  const line = score.notes.flatMap(({ part, midi }) => (part === "line" ? [midi] : []));
  if (line.length === 0) return score;
  const [least, most] = [Math.min(...line), Math.max(...line)];
  const by = score.isFree ? low + modulo(least - low, 12) - least : octavesInto(least, most, range);
  if (by === 0) return score;
  return {
    ...score,
    notes: score.notes.map((note) => {
      if (note.part === "line") return { ...note, midi: note.midi + by };
      return note.part === "drone" ? { ...note, midi: Math.max(DRONE_LOWEST - 7, note.midi + by) } : note;
    }),
  };
}

/** Half steps, in octaves, by which notes move to lie in a range, as far as they can. */
function octavesInto(least: number, most: number, [low, high]: readonly [number, number]): number {
  let by = 0;
  while (least + by < low) by += 12;
  while (most + by > high && least + by - 12 >= low) by -= 12;
  return by;
}
