import { type Fifths, modulo, soundOf } from "../pitch";
import type { Chord } from "../chord";

/** One of the two guide tones of a chord and how it was reached. */
export interface GuideTone {
  readonly note: Fifths;
  /** What it is in its chord, as an interval from the root. */
  readonly role: Fifths;
  /** Half steps from the same line's tone in the chord before, up or down; undefined at the start. */
  readonly move: number | undefined;
}

/** Which tones stand in for the third and the seventh, in this order. */
const THIRDS = [4, -3, -1, 2] as const;
const SEVENTHS = [5, -2, -9, 3, 0] as const;

/**
 * The guide tones of a chord: its third, or the note hung in its place, and its seventh, or the sixth or root where there is
 * none.
 *
 * @example guideTonesOf(A13) // C♯, G
 */
export function guideTonesOf({ root, tones }: Chord): readonly [Fifths, Fifths] {
  const third = THIRDS.find((tone) => tones.includes(tone)) ?? tones.at(-1) ?? 0;
  const seventh = SEVENTHS.find((tone) => tones.includes(tone)) ?? 0;
  return [root + third, root + seventh];
}

/** The smallest way from one sound to another: -5 to 6 half steps. */
function smallestMove(from: Fifths, to: Fifths): number {
  const up = modulo(soundOf(to) - soundOf(from), 12);
  return up > 6 ? up - 12 : up;
}

/**
 * Two lines through the chords, each on a guide tone of every chord, moving as little as they can together. What could not
 * be read is passed over and has none.
 *
 * @example guideLines([Dm7, G7, Cmaj7]).map((tones) => tones.map(({ note }) => note)) // F C, F B, E B
 */
export function guideLines(
  chords: readonly (Chord | undefined)[],
): readonly (readonly [GuideTone, GuideTone] | undefined)[] {
  let last: readonly [GuideTone, GuideTone] | undefined;
  return chords.map((chord) => {
    if (!chord) return undefined;
    const [third, seventh] = guideTonesOf(chord);
    const before = last;
    const choices = (
      [
        [third, seventh],
        [seventh, third],
      ] as const
    ).map(
      (pair) =>
        pair.map((note, line) => tone(chord, note, before?.[line as 0 | 1])) as [GuideTone, GuideTone],
    );
    const way = (pair: readonly GuideTone[]) => pair.reduce((sum, { move }) => sum + Math.abs(move ?? 0), 0);
    last = choices.reduce((best, next) => (way(next) < way(best) ? next : best));
    return last;
  });
}

const tone = ({ root }: Chord, note: Fifths, before: GuideTone | undefined): GuideTone => ({
  note,
  role: note - root,
  move: before && smallestMove(before.note, note),
});
