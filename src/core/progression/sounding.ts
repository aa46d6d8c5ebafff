import { type Chart, type ChartBar, type Chord, type ChartChord, chordSounds, printChord } from "../chord";
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

/**
 * Chords with their lengths where most are shorter than a bar: as if the usual one lasted a bar, so that a chart says the same at one, two and four
 * chords a bar. A chord that is struck again is one chord; what is held for longer stays as long.
 */
export function beside(sounding: readonly Sounding[]): readonly Sounding[] {
  const lengths: number[] = [];
  for (const [nth, { chord, bars }] of sounding.entries()) {
    const before = sounding[nth - 1]?.chord;
    const isAgain = before !== undefined && printChord(before) === printChord(chord);
    if (isAgain) lengths[lengths.length - 1] = (lengths.at(-1) ?? 0) + bars;
    else lengths.push(bars);
  }
  const usual = lengths.toSorted((a, b) => a - b)[Math.floor(lengths.length / 2)] ?? 1;
  return usual >= 1 || usual === 0
    ? sounding
    : sounding.map((each) => ({ ...each, bars: each.bars / usual }));
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
