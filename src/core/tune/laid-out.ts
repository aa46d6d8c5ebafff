import { type FoundBar, numberBars } from "./bars";
import { barLength, type Meter } from "./meter";
import { type TuneBar, type TuneChord, type TuneNote } from "./tune";

/** A change of meter, in quarters from the start. */
interface MeterChange {
  readonly at: number;
  readonly meter: Meter;
}

/** Bars that hold so many quarters of music, each as long as the meter in force asks for; the last one ends the tune. */
export function barsFor(end: number, meters: readonly MeterChange[], most: number): readonly TuneBar[] {
  const found: FoundBar[] = [];
  let start = 0;
  let place = 0;
  while (start < end - 1e-6 && found.length < most) {
    while ((meters[place + 1]?.at ?? Infinity) <= start + 1e-6) place += 1;
    const whole = barLength(meters[place]?.meter ?? { beats: 4, unit: 4 });
    const next = meters[place + 1]?.at ?? Infinity;
    const length = Math.min(whole, next - start);
    const endsSection = start + length >= end - 1e-6;
    found.push({ start, length, whole: length, endsSection });
    start += length;
  }
  return numberBars(found);
}

/** Notes with the bars that they begin in, in order of onset. Nothing is known of where they stand in a text. */
export function placedIn(
  bars: readonly TuneBar[],
  notes: readonly Pick<TuneNote, "pitch" | "onset" | "duration" | "voice">[],
): readonly TuneNote[] {
  let bar = 0;
  return [...notes]
    .sort((a, b) => a.onset - b.onset)
    .map(({ pitch, onset, duration, voice }) => {
      while (bar + 1 < bars.length && (bars[bar + 1]?.start ?? Infinity) <= onset + 1e-6) bar += 1;
      return { pitch, onset, duration, bar, from: 0, to: 0, ...(voice === undefined ? {} : { voice }) };
    });
}

/** Chord symbols, each lasting until the next one or the end of the tune. */
export const lastingChords = (
  chords: readonly Omit<TuneChord, "duration">[],
  end: number,
): readonly TuneChord[] =>
  chords.map((chord, at) => ({
    ...chord,
    duration: Math.max(0, (chords[at + 1]?.onset ?? end) - chord.onset),
  }));
