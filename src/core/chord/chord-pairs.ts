import { type Interval, soundOf } from "../pitch";
import { compareRanks, type HomeMode, holdsAll, size, soundsOf, transpose } from "../scale";
import type { Chord } from "./chord";

/** Two easy chords whose notes together are the mode, or nearly. */
export interface ChordPairs {
  readonly chords: readonly [Chord, Chord];
  /** Degrees of the mode that neither chord has. */
  readonly missing: readonly Interval[];
}

/** Chords that every player has in the hand, and how easily. */
const EASY: readonly (readonly [ease: number, tones: readonly Interval[]])[] = [
  [0, [0, 4, 1]],
  [0, [0, -3, 1]],
  [1, [0, 2, 1]],
  [1, [0, -1, 1]],
  [1, [0, 4, 1, 2]],
  [1, [0, -3, 1, 2]],
  [2, [0, -3, 1, -1]],
  [1, [0, 4, 1, -2]],
  [1, [0, -3, 1, -2]],
  [1, [0, 4, 1, 5]],
  [2, [0, 4, 1, -1]],
  [3, [0, -3, -6]],
  [3, [0, -3, -6, -2]],
  [3, [0, -3, -6, -9]],
  [3, [0, 4, 8]],
  [4, [0, -3, 1, 5]],
  [4, [0, 4, 8, 5]],
];

/**
 * Pairs of easy chords (triads, added and suspended ones, sevenths) that share the notes of a mode out between them: the
 * fewest notes missing first, then the easiest, then the fewest notes in both, then home among the roots.
 *
 * @example chord pairs({ home: 0, mode: mode("ionian") })[0] // two chords that hold all seven notes of C major
 */
export function chordPairs({ home, mode }: HomeMode, most = 8): readonly ChordPairs[] {
  const chords = mode.intervals.flatMap((degree) => {
    const from = transpose(mode.sounds, -soundOf(degree));
    return EASY.filter(([, tones]) => holdsAll(from, soundsOf(tones))).map(([ease, tones]) => ({
      ease,
      degree,
      chord: { root: home + degree, tones, optional: [] } satisfies Chord,
      sounds: transpose(soundsOf(tones), soundOf(degree)),
    }));
  });
  const pairs = chords.flatMap((first, at) =>
    chords
      .slice(at + 1)
      .filter((second) => second.degree !== first.degree)
      .map((second) => ({
        first,
        second,
        rank: [
          size(mode.sounds) - size(first.sounds | second.sounds),
          first.ease + second.ease,
          size(first.sounds & second.sounds),
          first.degree === 0 ? 0 : 1,
        ],
      })),
  );
  pairs.sort((a, b) => compareRanks(a.rank, b.rank));
  return pairs.slice(0, most).map(({ first, second }) => ({
    chords: [first.chord, second.chord],
    missing: mode.intervals.filter(
      (interval) => !holdsAll(first.sounds | second.sounds, soundsOf([interval])),
    ),
  }));
}
