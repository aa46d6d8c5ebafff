import { modulo, soundOf } from "../pitch";
import type { HomeMode } from "../scale";
import { soundsBetween } from "./layout";
import { layOut } from "./layout";
import { type Place, soundAt } from "./neck";
import type { PositionName } from "./position";
import type { UnfingeredPosition } from "./position";
import { runStrings, type RunString, type Tuning } from "./tuning";

/** The open-chord shapes in the order in which they lie up the neck from the one on E. */
const SHAPES = ["E", "D", "C", "A", "G"] as const;
type Shape = (typeof SHAPES)[number];
type ShapeName = Extract<PositionName, { code: "shape" }>;

/**
 * Where each shape's home notes lie, in frets above the home on the E string: those that the box has to hold, so that the shape is
 * whole.
 */
const HOMES: Readonly<Record<Shape, readonly [lowest: number, highest: number]>> = {
  E: [0, 2],
  D: [2, 5],
  C: [5, 7],
  A: [7, 9],
  G: [9, 12],
};

/** The home that strings 3 and 2 both have, nine and five frets up: the string that the shape has it on. */
const ON_STRING: Readonly<Partial<Record<Shape, number>>> = { D: 2, C: 2, A: 3, G: 3 };
const ON_THIRD = 9;

/** Frets of a box: with strings a fourth apart every note lies in one. */
const BOX = 5;
/** Fingers of the hand: one of the five frets is reached by a stretch. */
const HAND = 4;
const OCTAVE = 12;

/** Half steps between the strings of a guitar and of what is tuned like its lower strings, with or without more below. */
const LIKE_GUITAR = /^(?:5 )*5 5 5(?: 4 5)?$/u;

/** The string that the shapes stand on: the low E of a guitar, tuned up or down, or undefined where strings are tuned otherwise. */
function shapeString(tuning: Tuning): RunString | undefined {
  const strings = runStrings(tuning);
  const steps = strings.slice(1).map(({ open }, at) => open - (strings[at]?.open ?? 0));
  if (strings.length !== tuning.strings.length || !LIKE_GUITAR.test(steps.join(" "))) return undefined;
  const isWhole = steps.at(-2) === 4;
  if (!isWhole && strings.length !== 4) return undefined;
  return strings[isWhole ? strings.length - 6 : 0];
}

/**
 * The five boxes that teachers draw, one to each open-chord shape, up the whole neck: each holds its shape's home notes and lies within
 * five frets, a note that would stick out being taken on the neighbouring string. Of the places where a box can stand the one that
 * strains the hand least.
 *
 * @example boxes(GUITAR, A Dorian)?.[2] // the E shape, frets 4 to 8
 */
export function boxes(tuning: Tuning, homeMode: HomeMode): readonly UnfingeredPosition[] | undefined {
  const base = shapeString(tuning);
  if (!base) return undefined;
  const { capo, frets } = tuning;
  const home = rootFret(base, homeMode);
  const found: (UnfingeredPosition & { readonly from: number })[] = [];
  for (let octave = -1; octave <= frets / OCTAVE; octave += 1)
    for (const shape of SHAPES) {
      const [lowest, highest] = HOMES[shape];
      const root = capo + home + OCTAVE * octave;
      const starts = Array.from({ length: BOX }, (_, up) => root + highest - BOX + 1 + up).filter(
        (from) => from >= capo && from <= root + lowest && from + BOX - 1 <= frets,
      );
      const choices = starts.flatMap((from) =>
        boxAt(tuning, homeMode, from, sharedHome(tuning, shape, root)),
      );
      const [first, ...others] = choices;
      if (!first) continue;
      const best = others.reduce((least, each) => (each.cost < least.cost ? each : least), first);
      const { places, hand, from } = best;
      const name = goesByShape(tuning) ? ({ code: "shape", shape } as const) : undefined;
      found.push({ places, hand, stays: true, from, ...(name && { name }) });
    }
  return found.toSorted((a, b) => a.from - b.from);
}

/** Frets above the capo at which home lies first on a string. */
const rootFret = ({ open }: RunString, { home }: HomeMode): number => modulo(soundOf(home) - open, OCTAVE);

/** Bass players draw the same boxes, and call them by the degree that they begin on. */
const goesByShape = (tuning: Tuning): boolean => tuning.strings.length > 4;

/**
 * The open-chord shape whose home notes are those of the places; undefined where they are no shape's, or the instrument has none.
 *
 * @example shapeRound(GUITAR, A minor pentatonic, its frame at frets 5 to 8)?.shape // "E"
 */
export function shapeRound(
  tuning: Tuning,
  homeMode: HomeMode,
  places: readonly Place[],
): ShapeName | undefined {
  const base = shapeString(tuning);
  if (!base || !goesByShape(tuning)) return undefined;
  const home = soundOf(homeMode.home);
  const homes = places
    .filter((place) => modulo(soundAt(tuning, place), OCTAVE) === home)
    .map(({ fret }) => fret);
  const low = Math.min(...homes) - tuning.capo - rootFret(base, homeMode);
  const width = Math.max(...homes) - Math.min(...homes);
  const shape = SHAPES.find((each) => {
    const [lowest, highest] = HOMES[each];
    return modulo(low - lowest, OCTAVE) === 0 && width === highest - lowest;
  });
  return shape && { code: "shape", shape };
}

/** The home on strings 3 and 2 tied to the string where the shape has it; none on a bass, which has no second string of its kind. */
function sharedHome(tuning: Tuning, shape: Shape, root: number): ReadonlyMap<number, Place> {
  const string = ON_STRING[shape];
  if (string === undefined || tuning.strings.length <= 4) return new Map();
  const fret = root + (string === 3 ? ON_THIRD : ON_THIRD - 4);
  return new Map([[soundAt(tuning, { string: 3, fret: root + ON_THIRD }), { string, fret }]]);
}

/** A box from a fret on: with the first finger on its first fret or, stretching back, on the second. */
function boxAt(tuning: Tuning, homeMode: HomeMode, from: number, bound: ReadonlyMap<number, Place>) {
  const strings = runStrings(tuning);
  const [first, last] = [strings[0], strings.at(-1)];
  if (!first || !last) return [];
  const to = from + BOX - 1;
  const { capo, frets } = tuning;
  const sounds = soundsBetween(homeMode, first.open + from - capo, last.open + to - capo);
  return [from, from + 1].flatMap((hand) => {
    const ground = { strings, lowest: capo, highest: frets, hand, reach: HAND, within: [from, to] as const };
    const laid = sounds.length === 0 ? undefined : layOut(ground, sounds, bound);
    return laid ? [{ ...laid, hand: Math.max(hand, capo), from }] : [];
  });
}
