import { halfSteps, type Interval } from "../pitch";
import { modeOf, modeOfSounds, type Mode } from "./catalogue";
import { characteristicOf } from "./characteristic";
import { thirdOf } from "./count";
import { reference, type ReferenceChoice } from "./reference";
import { holds, soundsOf } from "./pitch-class-set";

/** A characteristic note and its ordinary neighbour, and the mode that the neighbour makes where it has a name. */
export interface Swap {
  readonly from: Interval;
  readonly to: Interval;
  readonly makes: Mode | undefined;
}

/** A half step on the line of fifths, the letter kept. */
const HALF_STEP = 7;

/**
 * The swap that shows what a mode is: the first of its characteristic notes that differs from plain major or minor, put back.
 * Major and natural minor differ in nothing: there the seventh is lowered, the sixth raised. Undefined where no note tells
 * the mode, or where the neighbour is in it already.
 *
 * @example characteristicSwap(mode("dorian")) // 6 to ♭6, makes Aeolian
 */
export function characteristicSwap(
  mode: Mode,
  { reference: convention }: ReferenceChoice = {},
): Swap | undefined {
  const characteristic = characteristicOf(mode);
  const changed = reference(mode, convention).moved.find(({ to }) => characteristic.includes(to));
  const way = thirdOf(mode) === 4 ? -HALF_STEP : HALF_STEP;
  const outermost = characteristic.toSorted((a, b) => (way < 0 ? b - a : a - b))[0];
  const from = changed?.to ?? outermost;
  if (from === undefined) return undefined;
  const to = changed?.from ?? from + way;
  if (holds(mode.sounds, halfSteps(to))) return undefined;
  return { from, to, makes: modeOfSounds(swappedSounds(mode, { from, to })) };
}

const swappedSounds = ({ intervals }: Mode, { from, to }: Pick<Swap, "from" | "to">) =>
  soundsOf(intervals.map((interval) => (interval === from ? to : interval)));

/**
 * The mode that is heard while one of its notes is swapped, named or not.
 *
 * @example withSwapped(mode("dorian"), { from: 3, to: -4 }).id // "aeolian": 6 gives way to ♭6
 */
export const withSwapped = (mode: Mode, swap: Pick<Swap, "from" | "to">): Mode =>
  modeOf(swappedSounds(mode, swap));
