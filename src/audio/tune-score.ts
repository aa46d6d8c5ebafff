import { playOrder } from "@/core/chord";
import { midiOf } from "@/core/pitch";
import { EPSILON, feltBeat, type Tune, type TuneNote } from "@/core/tune";
import type { Part, Pulse, Score, ScoreNote } from "./score";

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
