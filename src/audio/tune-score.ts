import { playOrder } from "@/core/chord";
import { type Fifths, midiOf } from "@/core/pitch";
import { EPSILON, feltBeat, firstPlace, type Tune, type TuneBar, type TuneNote } from "@/core/tune";
import {
  drone,
  oneAfterAnother,
  type Part,
  type Pulse,
  type Score,
  type ScoreChord,
  type ScoreNote,
} from "./score";

/** Bars of a tune that are played at most, however many repeats there are. */
const MOST_BARS = 20_000;
const ONCE = { opens: false, times: 1, endings: [] };

/** A bar of a tune with its chords. */
function barScore(tune: Tune, bar: TuneBar, place: number): Score {
  const beat = feltBeat(tune.meter);
  const end = bar.start + bar.length;
  // Looked for where they can be, so that a tune takes time by its length and not by its square.
  const inBar = (all: readonly TuneNote[]) =>
    all
      .slice(
        firstPlace(all, (each) => each.bar >= place - 1),
        firstPlace(all, (each) => each.bar > place + 1),
      )
      .filter(({ onset }) => onset >= bar.start - EPSILON && onset < end - EPSILON);
  const { chords = [] } = tune;
  const sounding = chords.slice(
    firstPlace(chords, ({ onset, duration }) => onset + duration > bar.start + EPSILON),
    firstPlace(chords, ({ onset }) => onset >= end - EPSILON),
  );
  const beats = bar.length / beat;
  const struck = (part: Part, { pitch, onset, duration }: TuneNote): ScoreNote => ({
    part,
    midi: midiOf(pitch),
    at: (onset - bar.start) / beat,
    length: duration / beat,
  });
  return {
    notes: [
      ...inBar(tune.notes).map((note) => struck("line", note)),
      ...inBar(tune.beneath ?? []).map((note) => struck("chord", note)),
    ],
    // A chord that goes on over the barline is struck again on it.
    chords: sounding.map(({ chord, onset, duration }): ScoreChord => {
      const from = Math.max(onset, bar.start);
      const until = Math.min(onset + duration, end);
      return {
        chord,
        at: (from - bar.start) / beat,
        length: (until - from) / beat,
        pulse: 1,
        parts: beat === 1.5 ? 3 : 2,
      };
    }),
    beats,
    loops: false,
    meter: tune.meter,
  };
}

/** Every bar of a tune with its chords, one after another, each once, with a mark at each. */
export const chordedScore = (tune: Tune): Score => ({
  ...oneAfterAnother(tune.bars.map((bar, place) => barScore(tune, bar, place))),
  meter: tune.meter,
});

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

/** A tune with its chords, or with the parts that are written out in their place. */
export const wholeScore = (tune: Tune): Score => chordedScore(tune.beneath ? { ...tune, chords: [] } : tune);

/**
 * A tune in several modes, one after another, with a mark at each note of the melody, so that it can be followed.
 *
 * @param isSung the melody is left to whoever sings: home is held under each, and its first note is given
 * @example toFollow([{ tune, home: D }], true).notes // the first note of the melody, and D held
 */
export function toFollow(
  all: readonly { readonly tune: Tune; readonly home: Fifths }[],
  isSung: boolean,
): Score {
  const rows = all.map(({ tune, home }) => {
    const score = chordedScore(tune);
    const melody = score.notes.filter(({ part }) => part === "line");
    const sung = { ...score, chords: [], notes: [...melody.slice(0, 1), drone(home, score.beats)] };
    return { score: isSung ? sung : score, onsets: melody.map(({ at }) => at) };
  });
  const whole = oneAfterAnother(rows.map(({ score }) => score));
  const marks = rows.flatMap(({ onsets }, nth) => onsets.map((at) => at + (whole.marks?.[nth] ?? 0)));
  return { ...whole, marks, ...(all[0] ? { meter: all[0].tune.meter } : {}) };
}
