import { type Chart, quartersOf } from "@/core/chord";
import { type Fifths, letterOf, modulo, soundOf } from "@/core/pitch";
import { beatParts, EPSILON, feltBeat } from "@/core/tune";
import { atOrAbove, LINE_FROM, type Pulse, type Score, type ScoreChord, type ScoreNote } from "./score";

/** The beat of a chart, in quarters: what players feel in its first bar. */
export const beatOf = ({ bars }: Pick<Chart, "bars">): number => (bars[0] ? feltBeat(bars[0].meter) : 1);

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
    return chord ? [{ chord, at: begins, length, pulse, parts: beatParts(meter) }] : [];
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
