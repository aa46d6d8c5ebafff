import { accidentalsOf, type Fifths, type Interval, soundOf } from "../pitch";
import {
  CATALOGUE,
  compareRanks,
  holds,
  holdsAll,
  intervalSounding,
  type Mode,
  size,
  soundSet,
  soundsOf,
} from "../scale";
import type { Chord } from "./chord";
import { chordNames } from "./name";

/** One place of a chord shape over a bass. */
export interface ShapePlace {
  readonly root: Fifths;
  /** Its tones as names, in the shape's order, and as intervals from the bass. */
  readonly tones: readonly Fifths[];
  readonly degrees: readonly Interval[];
  /** The seven-note modes of the bass that hold all of it, the most used first. */
  readonly modes: readonly Mode[];
  /** Tones outside the mode that was asked about; where none was, outside the mode that leaves least outside. */
  readonly outside: readonly Fifths[];
  /** What it makes with the bass, by its best name. */
  readonly name: Chord;
}

const SEVEN_NOTE = CATALOGUE.filter(({ sounds }) => size(sounds) === 7);

/** Intervals that the twelve half steps go by; the tritone either way. */
const ABOVE: readonly (readonly Interval[])[] = [
  [0],
  [-5],
  [2],
  [-3],
  [4],
  [-1],
  [6, -6],
  [1],
  [-4, 8],
  [3],
  [-2],
  [5],
];

/**
 * A chord quality moved to all twelve places over a fixed bass: what each place holds against the bass, which modes of the
 * bass have all of it, and what falls outside the mode asked about.
 *
 * @param tones the quality as intervals from its root, root first
 * @example shapesOver(A, [0, 4, 1, 5, 2])[3] // C: ♭3 5 ♭7 9 11, Dorian, Aeolian and others, "Am11"
 */
export function shapesOver(bass: Fifths, tones: readonly Interval[], within?: Mode): readonly ShapePlace[] {
  return ABOVE.map((names, above) => {
    const ownName = within && intervalSounding(within, above);
    const plainest = names.toSorted((a, b) => signs(bass + a, tones) - signs(bass + b, tones))[0] ?? 0;
    const root = bass + (ownName ?? plainest);
    const notes = tones.map((tone) => root + tone);
    const degrees = notes.map((note) => note - bass);
    const sounds = soundsOf([0, ...degrees]);
    const modes = SEVEN_NOTE.filter((mode) => holdsAll(mode.sounds, sounds));
    const against = within ?? modes[0] ?? leastOutside(degrees);
    return {
      root,
      tones: notes,
      degrees,
      modes,
      outside: notes.filter((note) => !holds(against.sounds, soundOf(note - bass))),
      name: chordNames(withBass(notes, bass), bass)[0] ?? { root, tones, optional: [] },
    };
  });
}

const signs = (root: Fifths, tones: readonly Interval[]) =>
  tones.reduce((sum, tone) => sum + Math.abs(accidentalsOf(root + tone)), 0);

function withBass(notes: readonly Fifths[], bass: Fifths): readonly Fifths[] {
  const sounds = soundSet(notes.map(soundOf));
  return holds(sounds, soundOf(bass)) ? notes : [bass, ...notes];
}

function leastOutside(degrees: readonly Interval[]): Mode {
  const outside = (mode: Mode) => degrees.filter((degree) => !holds(mode.sounds, soundOf(degree))).length;
  const ranked = SEVEN_NOTE.map((mode, at) => ({ mode, rank: [outside(mode), at] }));
  return ranked.reduce((best, next) => (compareRanks(next.rank, best.rank) < 0 ? next : best)).mode;
}
