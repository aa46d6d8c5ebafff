import { degreeOf, type Fifths, type Interval } from "../pitch";
import { type Mode, mode as modeById, SEVEN } from "./catalogue";
import { brightness, type HomeMode, thirdOf } from "./count";
import { differenceFrom, extentOf } from "./difference";
import { compareRanks } from "./rank";
import { reference } from "./reference";

/** The notes that teachers name, where the rule below says otherwise or nothing; the degrees of the seven are what is taught of them. */
const TAUGHT: Readonly<Record<string, string>> = {
  ionian: "4 7",
  dorian: "6",
  phrygian: "b2",
  lydian: "#4",
  mixolydian: "b7",
  aeolian: "b6",
  locrian: "b5",
  "harmonic-minor": "7",
  "melodic-minor": "6 7",
  "phrygian-dominant": "b2 3",
  "lydian-dominant": "#4 b7",
  "mixolydian-flat6": "b6 b7",
  "dorian-sharp4": "#4 6",
  "dorian-flat2": "b2 6",
  "lydian-augmented": "#4 #5",
  "lydian-sharp2": "#2 #4",
  "harmonic-major": "b6",
  "dorian-flat5": "b5 6",
  "ionian-sharp5": "#5",
  "locrian-natural2": "2 b5",
  "locrian-natural6": "b5 6",
  "double-harmonic": "b2 b6",
  // Of eight notes: the one that is put between two of the scale that they are named after.
  "bebop-dominant": "7",
  "bebop-dorian": "3",
  "bebop-locrian": "5",
  "bebop-melodic-minor": "#5",
};

const PLAIN = [modeById("ionian"), modeById("aeolian")];

/** Each mode's once: they are asked for at every drawing. */
const known = new Map<Mode, readonly Interval[]>();

/**
 * The characteristic notes of a mode, as a teacher names them, in order of degree: what is lit, named, asked and swapped. The seven have
 * theirs by tradition; any other mode of seven notes has the degrees in which it differs from the nearest of the seven, with that one's own
 * where they are kept, unless it is plain major or minor. A scale of eight notes has what it adds to its reference; one of fewer notes what
 * it alters or adds, and often nothing: there what it lacks tells it.
 *
 * Whether other modes have them too is another question: see `distinguishing`.
 *
 * @example characteristicOf(mode("phrygian")) // [-5], ♭2
 * @example characteristicOf(mode("lydian-dominant")) // [6, -2], ♯4 and ♭7
 */
export function characteristicOf(mode: Mode): readonly Interval[] {
  const before = known.get(mode);
  if (before) return before;
  const found = Object.freeze(TAUGHT[mode.id]?.split(" ").map(degreeOf) ?? ruled(mode));
  known.set(mode, found);
  return found;
}

/**
 * The same as names on a home.
 *
 * @example characteristicOn({ home: 2, mode: mode("dorian") }) // [5], B
 */
export const characteristicOn = ({ home, mode }: HomeMode): readonly Fifths[] =>
  characteristicOf(mode).map((interval) => home + interval);

function ruled(mode: Mode): readonly Interval[] {
  if (mode.intervals.length !== 7) {
    const { moved, added } = reference(mode);
    return inOrder(mode, [...moved.map(({ to }) => to), ...added]);
  }
  const near = nearestOfSeven(mode);
  const changed = differenceFrom(near, mode).moved.map(({ to }) => to);
  const kept = PLAIN.includes(near)
    ? []
    : characteristicOf(near).filter((own) => mode.intervals.includes(own));
  return inOrder(mode, [...changed, ...kept]);
}

const inOrder = ({ intervals }: Mode, some: readonly Interval[]): readonly Interval[] =>
  intervals.filter((interval) => some.includes(interval));

/** The one of the seven with the fewest notes changed; then the same third, the nearer in brightness, the darker. */
function nearestOfSeven(mode: Mode): Mode {
  const rankOf = (other: Mode) => [
    extentOf(differenceFrom(other, mode)),
    thirdOf(other) === thirdOf(mode) ? 0 : 1,
    Math.abs(brightness(other.intervals) - brightness(mode.intervals)),
    brightness(other.intervals),
  ];
  return SEVEN.reduce((best, next) => (compareRanks(rankOf(next), rankOf(best)) < 0 ? next : best));
}
