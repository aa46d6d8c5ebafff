import { soundOf } from "../pitch";
import type { Tune, TuneChord } from "../tune";
import { shareOut } from "./shares";

/** What the chord symbols over a melody say, by sounding pitch class. */
export interface ChordsHearing {
  /** Shares of the time in which each tone is asked for. */
  readonly tones: readonly number[];
  /** The bass of the first chord and of the last. */
  readonly first: number;
  readonly last: number;
  /** How much they say together, up to 1: one symbol alone is a remark. */
  readonly sure: number;
}

/** So many symbols tell in full. */
const FULL = 4;

/** How long each sound is asked for, each chord's time shared out over its tones. */
export function timeAsked(chords: readonly TuneChord[]): readonly number[] {
  const time = new Array<number>(12).fill(0);
  for (const { chord, duration } of chords)
    for (const tone of chord.tones) {
      const sound = soundOf(chord.root + tone);
      time[sound] = (time[sound] ?? 0) + duration / chord.tones.length;
    }
  return time;
}

/** Listens to the chord symbols of a tune; undefined where it has none. */
export function hearChords({ chords = [] }: Tune): ChordsHearing | undefined {
  const [first, last] = [chords[0], chords.at(-1)];
  if (!first || !last) return undefined;
  const bassOf = ({ chord }: typeof first) => soundOf(chord.bass ?? chord.root);
  return {
    tones: shareOut(timeAsked(chords)),
    first: bassOf(first),
    last: bassOf(last),
    sure: Math.min(1, chords.length / FULL),
  };
}
