import { degreeNumber, type Interval, soundOf } from "../pitch";
import {
  familyOf,
  type HomeMode,
  holds,
  holdsAll,
  intervalAt,
  type Mode,
  mode as modeById,
  SEVEN,
  type PitchClassSet,
  soundsOn,
  transpose,
} from "../scale";

/** A mode that is still possible, with the form that it has of each degree that is not decided. */
interface PossibleMode {
  readonly mode: Mode;
  readonly intervals: readonly Interval[];
}

/** Degrees that are never heard and would decide between modes on the same home. */
export interface Undecided {
  /** Their numbers, in order. */
  readonly degrees: readonly number[];
  /** The modes that hold everything heard, the answer first; each pair of forms is named once. */
  readonly modes: readonly PossibleMode[];
}

/** Minor is played with its sixth and seventh raised or not: both stay possible where neither is heard. */
const RAISED_MINOR: readonly Mode[] = ["harmonic-minor", "melodic-minor"].map(modeById);

const MINOR_THIRD = 3;

/**
 * What is not decided: the modes on the same home, among the seven, the answer's own family and the raised forms of minor, that
 * hold everything heard of the answer. Undefined where only one does. A degree that is heard in another form than the answer’s is none of
 * them.
 *
 * @param heard everything that sounds, 0 is C
 * @param neutral numbers of degrees that are played between their forms
 */
export function undecidedOf(
  heard: PitchClassSet,
  { home, mode }: HomeMode,
  neutral: readonly number[] = [],
): Undecided | undefined {
  const heardAboveHome = transpose(heard & soundsOn({ home, mode }), -soundOf(home));
  const isMinor = holds(heardAboveHome, MINOR_THIRD);
  const pool = new Set([mode, ...SEVEN, ...familyOf(mode).modes, ...(isMinor ? RAISED_MINOR : [])]);
  const possible = [...pool].filter(
    ({ sounds, intervals }) => holdsAll(sounds, heardAboveHome) && intervals.length === mode.intervals.length,
  );
  const forms = (number: number) => possible.map(({ intervals }) => intervalAt(intervals, number));
  const outside = transpose(heard & ~soundsOn({ home, mode }), -soundOf(home));
  const degrees = mode.intervals
    .map(degreeNumber)
    .filter(
      (number) =>
        new Set(forms(number)).size > 1 && !isHeardOtherwise(number, outside) && !neutral.includes(number),
    )
    .sort((a, b) => a - b);
  if (degrees.length === 0) return undefined;
  const modes = possible.map((each) => ({
    mode: each,
    intervals: degrees.map((number) => intervalAt(each.intervals, number) ?? 0),
  }));
  // Modes that differ in degrees which are heard otherwise alone are told apart by those, and not here.
  const distinct = modes.filter(
    ({ intervals }, at) => modes.findIndex((each) => String(each.intervals) === String(intervals)) === at,
  );
  return { degrees, modes: distinct };
}

/** The sounds above home that the forms of each degree have, from 1: ♭2 and 2, ♭3 and 3, up to ♭7 and 7. */
const FORMS: readonly (readonly number[])[] = [[0], [1, 2], [3, 4], [5, 6], [6, 7, 8], [8, 9], [10, 11]];

/** Whether a note outside the mode is a form of a degree, so that the degree isn’t unheard: the raised 7 of minor. */
const isHeardOtherwise = (number: number, outside: PitchClassSet): boolean =>
  FORMS[number - 1]?.some((sound) => holds(outside, sound)) === true;
