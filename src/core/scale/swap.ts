import type { Interval } from "../pitch";
import { modeOfSounds, type NamedMode } from "./catalogue";
import { colourNotes } from "./colour";
import { thirdOf } from "./count";
import { reference } from "./reference";
import { soundsOf } from "./sound-set";

/** A colour note and its ordinary neighbour, and the mode that the neighbour makes where it has a name. */
export interface Swap {
  readonly from: Interval;
  readonly to: Interval;
  readonly makes: NamedMode | undefined;
}

/** A half step on the line of fifths, the letter kept. */
const HALF_STEP = 7;

/**
 * The swap that shows what a mode is: the first of its colour notes that differs from plain major or minor, put back.
 * Major and natural minor differ in nothing: there the seventh is lowered, the sixth raised.
 *
 * @example colourSwap(mode("dorian")) // 6 to ♭6, makes Aeolian
 */
export function colourSwap(mode: NamedMode): Swap | undefined {
  const colour = colourNotes(mode)[0] ?? [];
  const changed = reference(mode).changes.find(({ to }) => colour.includes(to));
  const way = thirdOf(mode) === 4 ? -HALF_STEP : HALF_STEP;
  const outermost = colour.toSorted((a, b) => (way < 0 ? b - a : a - b))[0];
  const from = changed?.to ?? outermost;
  if (from === undefined) return undefined;
  const to = changed?.from ?? from + way;
  const swapped = mode.intervals.map((interval) => (interval === from ? to : interval));
  return { from, to, makes: modeOfSounds(soundsOf(swapped)) };
}
