import { betweenFrets, type Place } from "./neck";
import type { Tuning } from "./tuning";

/** A place with the finger that takes it: 1 the index finger to 4 the little one, 0 an open string. */
export interface Fingered extends Place {
  readonly finger: number;
  /** The fret at which the index finger stands meanwhile. */
  readonly hand: number;
  /** The hand moves before this note. */
  readonly isShift: boolean;
}

/** How a run may be fingered. */
export interface FingerWishes {
  /** Millimetres between the outer fingers that no place of the hand may exceed; without it the hand may stretch. */
  readonly limit?: number | undefined;
  /** The index finger's fret throughout. */
  readonly hand?: number | undefined;
  /** The index finger's fret to begin near. */
  readonly near?: number | undefined;
}

interface State {
  readonly place: Place;
  readonly hand: number;
  readonly finger: number;
  readonly own: number;
  cost: number;
  from: State | undefined;
}

/** What moving the hand costs against stretching a finger by a fret: a shift is dear, a long one dearer. */
const SHIFT = 3;
const SHIFT_A_FRET = 0.5;
const STRETCH = 1;
const SKIPPED_STRING = 0.4;
/** An open string rings on under a hand that is far up the neck; frets up to which it does no harm. */
const OPEN_FAR = 2;
const NUT_HAND = 3;

/** Frets above the index finger's that each finger reaches for, lowest and highest, a fret and a step of the scale each. */
const FINGER_REACH = {
  4: [
    [0, 0],
    [1, 1],
    [2, 2],
    [3, 3],
  ],
  7: [
    [0, 0],
    [1, 2],
    [3, 4],
    [5, 6],
  ],
} as const;

/**
 * The easiest fingering of a run: for each note one of its places and a finger, with as little shifting and stretching as
 * can be. Shortest path over the notes; fingers rise with frets on a string. Undefined where a note has no place or the
 * wishes cannot be met.
 *
 * @example fingerRun(GUITAR, [[{ string: 6, fret: 5 }], [{ string: 6, fret: 7 }]], {})?.map(({ finger }) => finger) // [1, 3]
 */
export function fingerRun(
  tuning: Tuning,
  notes: readonly (readonly Place[])[],
  wishes: FingerWishes,
): readonly Fingered[] | undefined {
  const hands = handsFor(tuning, notes, wishes);
  let before: State[] | undefined;
  for (const places of notes) {
    const states = places.flatMap((place) => statesAt(tuning, place, hands, wishes));
    if (before) for (const state of states) arrive(state, before);
    else for (const state of states) state.cost = state.own + beginning(state, wishes);
    before = states.filter(({ cost }) => cost < Infinity);
    if (before.length === 0) return undefined;
  }
  let state = before?.reduce((best, each) => (each.cost < best.cost ? each : best));
  const found: Fingered[] = [];
  for (; state; state = state.from) {
    const { place, hand, finger, from } = state;
    found.push({ ...place, finger, hand, isShift: from !== undefined && from.hand !== hand });
  }
  return found.reverse();
}

/** Frets at which the index finger could stand for some note of the run. */
function handsFor(
  { capo, hand, frets }: Tuning,
  notes: readonly (readonly Place[])[],
  { hand: fixed }: FingerWishes,
): readonly number[] {
  if (fixed !== undefined) return [fixed];
  const found = new Set<number>([capo + 1]);
  for (const { fret } of notes.flat())
    for (let at = fret - hand; fret > capo && at <= fret + 1; at += 1)
      if (at > capo && at <= frets) found.add(at);
  return [...found].sort((a, b) => a - b);
}

/** How far a finger is stretched to a fret so far above the index finger's; undefined where it cannot be. */
function stretchTo(finger: number, above: number, hand: 4 | 7): number | undefined {
  const [low, high] = FINGER_REACH[hand][finger - 1] ?? [0, 0];
  const beyond = above < low ? low - above : above > high ? above - high : 0;
  return beyond > 1 ? undefined : beyond;
}

function statesAt(
  tuning: Tuning,
  place: Place,
  hands: readonly number[],
  { limit }: FingerWishes,
): readonly State[] {
  const state = (hand: number, finger: number, own: number): State => ({
    place,
    hand,
    finger,
    own,
    cost: Infinity,
    from: undefined,
  });
  if (place.fret === tuning.capo)
    return hands.map((hand) => state(hand, 0, hand > tuning.capo + NUT_HAND ? OPEN_FAR : 0));
  return hands.flatMap((hand) => {
    const above = place.fret - hand;
    const isTooWide = limit !== undefined && (above < 0 || betweenFrets(tuning, hand, place.fret) > limit);
    if (isTooWide) return [];
    return [1, 2, 3, 4].flatMap((finger) => {
      const stretch = stretchTo(finger, above, tuning.hand);
      return stretch === undefined ? [] : [state(hand, finger, stretch * STRETCH)];
    });
  });
}

const beginning = ({ hand }: State, { near }: FingerWishes): number =>
  near === undefined ? 0 : Math.abs(hand - near) * SHIFT_A_FRET;

function arrive(state: State, before: readonly State[]): void {
  for (const from of before) {
    const cost = from.cost + state.own + moving(from, state);
    if (cost < state.cost) {
      state.cost = cost;
      state.from = from;
    }
  }
}

/** What it costs to get from one note to the next; Infinity where fingers would cross on a string. */
function moving(from: State, to: State): number {
  const skipped = Math.max(0, Math.abs(from.place.string - to.place.string) - 1) * SKIPPED_STRING;
  if (from.hand !== to.hand) return SHIFT + SHIFT_A_FRET * Math.abs(from.hand - to.hand) + skipped;
  const isOpen = from.finger === 0 || to.finger === 0;
  if (isOpen || from.place.string !== to.place.string) return skipped;
  const frets = to.place.fret - from.place.fret;
  const fingers = to.finger - from.finger;
  if (Math.sign(frets) !== Math.sign(fingers)) return Infinity;
  return Math.abs(Math.abs(frets) - Math.abs(fingers)) * 0.25;
}

/** Millimetres between the outer fingers, at the widest that the hand is open without moving. */
export function stretchOf(tuning: Tuning, run: readonly Fingered[]): number {
  let widest = 0;
  let low = Infinity;
  let high = -Infinity;
  for (const { fret, finger, isShift } of run) {
    if (isShift) [low, high] = [Infinity, -Infinity];
    if (finger === 0) continue;
    low = Math.min(low, fret);
    high = Math.max(high, fret);
    widest = Math.max(widest, betweenFrets(tuning, low, high));
  }
  return widest;
}

/**
 * The comfortable stretch unless another is set, in millimetres. Measured: of all five positions of the seven modes on every
 * home, on a full-size guitar (648 mm), none from the fifth fret up opens the hand more than 106 mm, and a finger to each of
 * the first four frets is 97; nearer the nut the same shapes ask for 112 to 126, which is what hands complain of.
 */
export const COMFORTABLE_STRETCH = 110;
