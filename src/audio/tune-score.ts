import { playOrder } from "@/core/chord";
import { type Fifths, midiOf } from "@/core/pitch";
import {
  beatParts,
  EPSILON,
  feltBeat,
  firstPlace,
  type Meter,
  type Tune,
  type TuneBar,
  type TuneChord,
  type TuneNote,
} from "@/core/tune";
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
const MAX_BARS = 20_000;
const ONCE = { opens: false, times: 1, endings: [] };

/** A bar of a tune with what is in it: the notes that begin in it, and the chords that sound in it. */
interface WholeBar {
  readonly bar: TuneBar;
  readonly notes: readonly ScoreNote[];
  readonly chords: readonly TuneChord[];
}

/** The bars of a tune, each with its notes and chords, found in one pass. Times are in beats from the start of the bar. */
function wholeBars({ bars, notes, beneath = [], chords = [], meter }: Tune): readonly WholeBar[] {
  const beat = feltBeat(meter);
  const all = bars.map((bar) => ({ bar, notes: [] as ScoreNote[], chords: [] as TuneChord[] }));
  const put = (some: readonly TuneNote[], part: Part) => {
    for (const { pitch, onset, duration, bar } of some)
      all[bar]?.notes.push({
        part,
        midi: midiOf(pitch),
        at: (onset - (bars[bar]?.start ?? 0)) / beat,
        length: duration / beat,
      });
  };
  put(notes, "line");
  put(beneath, "chord");
  for (const chord of chords) {
    const end = chord.onset + chord.duration;
    const first = firstPlace(bars, ({ start, length }) => start + length > chord.onset + EPSILON);
    for (let at = first; (bars[at]?.start ?? Infinity) < end - EPSILON; at += 1) all[at]?.chords.push(chord);
  }
  return all;
}

/** A bar of a tune with its chords. */
function barScore({ bar, notes, chords }: WholeBar, meter: Meter): Score {
  const beat = feltBeat(meter);
  const end = bar.start + bar.length;
  return {
    notes,
    // A chord that goes on over the barline is struck again on it.
    chords: chords.map(({ chord, onset, duration }): ScoreChord => {
      const from = Math.max(onset, bar.start);
      const until = Math.min(onset + duration, end);
      return {
        chord,
        at: (from - bar.start) / beat,
        length: (until - from) / beat,
        pulse: 1,
        parts: beatParts(meter),
      };
    }),
    beats: bar.length / beat,
    loops: false,
    meter,
  };
}

/** Every bar of a tune with its chords, one after another, each once, with a mark at each. */
export const chordedScore = (tune: Tune): Score => ({
  ...oneAfterAnother(wholeBars(tune).map((bar) => barScore(bar, tune.meter))),
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
  const order = repeats ? playOrder(signs, MAX_BARS) : tune.bars.map((_, at) => at);
  const byBar = wholeBars(tune);
  let start = 0;
  const notes: ScoreNote[] = [];
  const pulses: Pulse[] = [];
  for (const at of order) {
    for (const note of byBar[at]?.notes ?? []) notes.push({ ...note, at: note.at + start });
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
