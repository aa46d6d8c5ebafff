import { type Chart, type ChartBar, type Chord, type ChartChord, chordSounds } from "../chord";
import type { PitchClassSet } from "../scale";

/** A chart as far as it is read: without an order its chords are played as they are written. */
export interface ReadableChart extends Pick<Chart, "chords">, Partial<Pick<Chart, "order">> {
  readonly bars: readonly Pick<ChartBar, "from" | "section">[];
}

/** A chord that sounds, with what the analyses weigh it by. */
export interface Sounding {
  /** Its place in the chart. */
  readonly at: number;
  readonly chord: Chord;
  readonly sounds: PitchClassSet;
  /** Bars that it is heard for, repeats among them. */
  readonly bars: number;
  readonly place: ChartChord;
}

/** The chords of a chart that could be read and sound. */
export function soundingChords({ chords }: Pick<Chart, "chords">): readonly Sounding[] {
  return chords.flatMap((place, at) =>
    place.chord
      ? [
          {
            at,
            place,
            chord: place.chord,
            sounds: chordSounds(place.chord),
            bars: place.length * place.times,
          },
        ]
      : [],
  );
}
