import { accidentalsOf, type Fifths, type Interval, modulo, soundOf } from "../pitch";
import {
  brightestFirst,
  CATALOGUE,
  compareRanks,
  holds,
  holdsAll,
  intervalSounding,
  type HomeMode,
  type Mode,
  SEVEN,
  characteristicOf,
  size,
  pitchClassSet,
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
  const sounds = pitchClassSet(notes.map(soundOf));
  return holds(sounds, soundOf(bass)) ? notes : [bass, ...notes];
}

function leastOutside(degrees: readonly Interval[]): Mode {
  const outside = (mode: Mode) => degrees.filter((degree) => !holds(mode.sounds, soundOf(degree))).length;
  const ranked = SEVEN_NOTE.map((mode, at) => ({ mode, rank: [outside(mode), at] }));
  return ranked.reduce((best, next) => (compareRanks(next.rank, best.rank) < 0 ? next : best)).mode;
}

/**
 * The right place nearest to a wrong one: the fewest half steps away, the lower one on a tie; undefined where the place is
 * right already, or none is.
 *
 * @example rightPlaceNear(maj9 over A in A Dorian, the place on B♭)?.root // C, since C and G are right
 */
export function rightPlaceNear(places: readonly ShapePlace[], at: number): ShapePlace | undefined {
  if (places[at]?.outside.length === 0) return undefined;
  const away = (other: number) => Math.min(modulo(other - at, 12), modulo(at - other, 12));
  const right = places.flatMap(({ outside }, other) => (outside.length === 0 ? [other] : []));
  const best = right.toSorted((a, b) => away(a) - away(b) || a - b)[0];
  return best === undefined ? undefined : places[best];
}

/** One of the modes that a shape has over a held bass: a mode of that bass, and the place of the shape that shows it. */
export interface BassMode {
  readonly homeMode: HomeMode;
  /** None where no place of the shape lies in the mode. */
  readonly place: ShapePlace | undefined;
}

/**
 * A held bass in seven modes, from light to dark: for each of the seven modes a place of a shape that lies in it. The places
 * differ as far as they can, and have as many of the characteristic notes as they can.
 *
 * @example modesOverBass(A, [0, 4, 1, 5, 2]).map(({ place }) => place?.root) // E A G C F B♭ E♭
 */
export function modesOverBass(bass: Fifths, tones: readonly Interval[]): readonly BassMode[] {
  const choices = brightestFirst(SEVEN).map((mode) => {
    const characteristic = characteristicOf(mode).map(soundOf);
    const characteristicCount = ({ degrees }: ShapePlace) =>
      degrees.filter((degree) => characteristic.includes(soundOf(degree))).length;
    const places = shapesOver(bass, tones, mode).filter(({ outside }) => outside.length === 0);
    return {
      mode,
      places: places
        .toSorted((a, b) => characteristicCount(b) - characteristicCount(a))
        .map((place) => ({ place, held: characteristicCount(place) })),
    };
  });
  const taken = mostDistinct(choices.map(({ places }) => places));
  return choices.map(({ mode }, at) => ({ homeMode: { home: bass, mode }, place: taken[at]?.place }));
}

interface HeldPlace {
  readonly place: ShapePlace;
  readonly held: number;
}

/** One place of each list: most different roots first, then most characteristic notes held, then those that come first. */
function mostDistinct(lists: readonly (readonly HeldPlace[])[]): readonly (HeldPlace | undefined)[] {
  let best: readonly (HeldPlace | undefined)[] = [];
  let bestRank = [Infinity];
  const next = (taken: readonly (HeldPlace | undefined)[]) => {
    const list = lists[taken.length];
    if (!list) {
      const roots = new Set(taken.flatMap((each) => (each ? [soundOf(each.place.root)] : [])));
      const rank = [-roots.size, -taken.reduce((sum, each) => sum + (each?.held ?? 0), 0)];
      if (compareRanks(rank, bestRank) < 0) [best, bestRank] = [taken, rank];
    } else if (list.length === 0) next([...taken, undefined]);
    else for (const each of list) next([...taken, each]);
  };
  next([]);
  return best;
}
