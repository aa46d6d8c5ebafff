import { type Interval, soundOf } from "../pitch";
import { type HomeMode, holdsAll, type Mode, soundsOf, transpose } from "../scale";
import type { Chord } from "./chord";
import { romanNumeral } from "./symbol";
import { dominantHome } from "./dominant-home";

/** The chords that stand on a degree, from three notes to seven. */
export const CHORD_KINDS = [
  "triad",
  "seventh",
  "ninth",
  "eleventh",
  "thirteenth",
  "sus2",
  "sus4",
  "sixth",
] as const;
export type ChordKind = (typeof CHORD_KINDS)[number];

/** The chords on one degree of a mode. A kind is missing where the mode lacks its notes. */
export interface DegreeChords {
  readonly degree: Interval;
  readonly chords: Readonly<Partial<Record<ChordKind, Chord>>>;
  /** Roman numeral of the triad, with ASCII accidentals. */
  readonly roman: string;
}

/** Notes of a seven-note mode so many letters above a degree, as intervals from that degree. */
function above(mode: Mode, at: number, letters: readonly number[]): readonly Interval[] {
  const root = mode.intervals[at] ?? 0;
  return letters.map((letter) => (mode.intervals[(at + letter) % 7] ?? 0) - root);
}

/** Every other note of a seven-note mode from a degree: the mode stacked in thirds. */
export const stackOfThirds = (mode: Mode, at: number, count: number): readonly Interval[] =>
  above(
    mode,
    at,
    Array.from({ length: count }, (_, third) => 2 * third),
  );

/** Letters above the root that each kind takes from a seven-note mode. */
const LETTERS: Readonly<Record<ChordKind, readonly number[]>> = {
  triad: [0, 2, 4],
  seventh: [0, 2, 4, 6],
  ninth: [0, 2, 4, 6, 1],
  eleventh: [0, 2, 4, 6, 1, 3],
  thirteenth: [0, 2, 4, 6, 1, 3, 5],
  sus2: [0, 1, 4],
  sus4: [0, 3, 4],
  sixth: [0, 2, 4, 5],
};

/** What may hang in place of the third, over a perfect fifth; a lowered fourth would be the third itself. */
const HANGING: Readonly<Partial<Record<ChordKind, readonly Interval[]>>> = { sus2: [2, -5], sus4: [-1, 6] };

const TRIADS: readonly (readonly Interval[])[] = [
  [0, 4, 1],
  [0, -3, 1],
  [0, -3, -6],
  [0, 4, 8],
];
const SEVENTHS = TRIADS.flatMap((triad) =>
  (triad.includes(-6) ? [-2, -9, 5] : [-2, 5]).map((seventh) => [...triad, seventh]),
);

/** Qualities of each kind in scales of other sizes, the plainest first: the first that the scale holds is taken. */
const QUALITIES: Readonly<Record<ChordKind, readonly (readonly Interval[])[]>> = {
  triad: TRIADS,
  seventh: SEVENTHS,
  ninth: SEVENTHS.map((seventh) => [...seventh, 2]),
  eleventh: SEVENTHS.map((seventh) => [...seventh, 2, -1]),
  thirteenth: SEVENTHS.map((seventh) => [...seventh, 2, 3]),
  sus2: [[0, 2, 1]],
  sus4: [[0, -1, 1]],
  sixth: TRIADS.map((triad) => [...triad, 3]),
};

/** The sounds of a mode counted from one of its degrees. */
const soundsFrom = (mode: Mode, degree: Interval) => transpose(mode.sounds, -soundOf(degree));

function tonesOf(mode: Mode, at: number, kind: ChordKind): readonly Interval[] | undefined {
  if (mode.intervals.length === 7) {
    const tones = above(mode, at, LETTERS[kind]);
    const hangs = HANGING[kind];
    return !hangs || (tones.includes(1) && tones.some((tone) => hangs.includes(tone))) ? tones : undefined;
  }
  const sounds = soundsFrom(mode, mode.intervals[at] ?? 0);
  return QUALITIES[kind].find((tones) => holdsAll(sounds, soundsOf(tones)));
}

/** What else stands on home in a mode that is played as a dominant. */
const BESIDE_DOMINANT: readonly ChordKind[] = ["triad", "sus2", "sus4"];

/**
 * The chords on each degree, from triad to thirteenth, suspended and with the sixth. Seven notes are stacked letter by
 * letter; of other scales each kind is the plainest quality that the scale holds there. On home, modes that are played as a dominant
 * have it for their seventh chord, and nothing above it.
 *
 * @example diatonicChords({ home: 2, mode: dorian })[3]?.chords.seventh // G7, "IV"
 */
export function diatonicChords({ home, mode }: HomeMode): readonly DegreeChords[] {
  return mode.intervals.map((degree, at) => {
    const dominant = at === 0 ? dominantHome(mode) : undefined;
    const chords: Partial<Record<ChordKind, Chord>> = {};
    for (const kind of dominant ? BESIDE_DOMINANT : CHORD_KINDS) {
      const tones = tonesOf(mode, at, kind);
      if (tones) chords[kind] = { root: home + degree, tones, optional: [] };
    }
    if (dominant) chords.seventh = { root: home, tones: dominant, optional: [] };
    return {
      degree,
      chords,
      roman: romanNumeral(degree, dominant ?? chords.triad?.tones ?? [0, 4], "ascii"),
    };
  });
}
