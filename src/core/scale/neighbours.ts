import type { Interval } from "../pitch";
import { CATALOGUE, intervalSounding, isNamed, type Mode, modeOf } from "./catalogue";
import { brightness } from "./count";
import { type Difference, differenceFrom, extentOf } from "./difference";
import { compareRanks } from "./rank";
import { flipped, holds, members, size, type PitchClassSet } from "./pitch-class-set";

/** One degree moved and the mode that this makes. */
export interface Neighbour {
  readonly mode: Mode;
  readonly from: Interval;
  readonly to: Interval;
}

/** The set with one note of it exchanged for another. */
const exchanged = (sounds: PitchClassSet, from: number, to: number): PitchClassSet =>
  flipped(flipped(sounds, from), to);

/**
 * Every half step that one note of a mode, not home, can go to where no note is and the mode becomes brighter (or darker). In
 * seven-note modes a raised degree is always brighter; in others the letter can change, as from 3 to 4, which is darker.
 */
function stepsAway(mode: Mode, way: "brighter" | "darker"): readonly (readonly [from: number, to: number])[] {
  const light = brightness(mode.intervals);
  return members(mode.sounds).flatMap((from) =>
    [from - 1, from + 1]
      .filter((to) => {
        if (from === 0 || to <= 0 || to >= 12 || holds(mode.sounds, to)) return false;
        if (mode.intervals.length === 7) return to > from === (way === "brighter");
        const change = brightness(modeOf(exchanged(mode.sounds, from, to)).intervals) - light;
        const isBrighter = change === 0 ? to > from : change > 0;
        return isBrighter === (way === "brighter");
      })
      .map((to) => [from, to] as const),
  );
}

function neighbour(mode: Mode, from: number, to: number, other: Mode): Neighbour {
  return { mode: other, from: intervalSounding(mode, from) ?? 0, to: intervalSounding(other, to) ?? 0 };
}

const PLACE = new Map(CATALOGUE.map((mode, at) => [mode.id, at]));

/**
 * Every mode one note brighter (or darker), a half step away, home untouched, whether it has a name or not: the named ones
 * first, those of the mode's own family before the others, in the catalogue's order.
 */
export function everyNoteAway(mode: Mode, way: "brighter" | "darker"): readonly Neighbour[] {
  const rank = ({ mode: other }: Neighbour) => [
    isNamed(other) ? 0 : 1,
    other.family === mode.family ? 0 : 1,
    PLACE.get(other.id) ?? other.sounds,
  ];
  return stepsAway(mode, way)
    .map(([from, to]) => neighbour(mode, from, to, modeOf(exchanged(mode.sounds, from, to))))
    .map((each) => ({ each, rank: rank(each) }))
    .sort((a, b) => compareRanks(a.rank, b.rank))
    .map(({ each }) => each);
}

/**
 * The named modes one note brighter (or darker).
 *
 * @example oneNoteAway(dorian, "brighter")[0] // Mixolydian, from ♭3 to 3
 */
export const oneNoteAway = (mode: Mode, way: "brighter" | "darker"): readonly Neighbour[] =>
  everyNoteAway(mode, way).filter(({ mode: other }) => isNamed(other));

/** Whether two modes differ by a single note: one moved a half step, one more or one fewer. */
export function isOneNoteApart(a: Mode, b: Mode): boolean {
  const [low = 0, high, another] = members(a.sounds ^ b.sounds);
  if (another !== undefined) return false;
  return high === undefined ? a !== b : high - low === 1 && size(a.sounds) === size(b.sounds);
}

/** A named mode that has a note more than another, or lacks one of its notes, and that note. */
export interface Beside {
  readonly mode: Mode;
  readonly note: Interval;
}

/**
 * The named modes that have one note more than a mode, and those that have one fewer.
 *
 * @example oneMoreOrFewer(ionian).more.map(({ mode }) => mode.id) // bebop-dominant, bebop-major
 */
export function oneMoreOrFewer(mode: Mode): {
  readonly more: readonly Beside[];
  readonly fewer: readonly Beside[];
} {
  const beside = CATALOGUE.filter((other) => size(mode.sounds ^ other.sounds) === 1).map((other) => {
    const [sound = 0] = members(mode.sounds ^ other.sounds);
    const isMore = holds(other.sounds, sound);
    return { mode: other, isMore, note: intervalSounding(isMore ? other : mode, sound) ?? 0 };
  });
  return { more: beside.filter(({ isMore }) => isMore), fewer: beside.filter(({ isMore }) => !isMore) };
}

/** A named mode near another and how the other differs from it. */
export interface Near {
  readonly mode: Mode;
  readonly difference: Difference;
}

/**
 * The named modes nearest to a mode: the fewest differing degrees first, then, where there are fewer
 * than seven notes, those that hold most of them, then as many notes, then the same third, then the catalogue's order. The mode itself is not among them.
 *
 * @example nearestNamed(mode("minor-pentatonic"))[0] // Minor blues, which has ♭5 besides
 */
export function nearestNamed(mode: Mode, most = 3): readonly Near[] {
  const ranked = CATALOGUE.filter((other) => other !== mode).map((other, at) => {
    const difference = differenceFrom(other, mode);
    const third = [3, 4].filter((sound) => holds(other.sounds, sound) !== holds(mode.sounds, sound)).length;
    const apart = size(other.sounds ^ mode.sounds);
    // A few notes are read as part of a fuller scale; seven are compared with other sevens.
    const outside = size(mode.sounds) < 7 ? size(mode.sounds & ~other.sounds) : 0;
    return {
      near: { mode: other, difference },
      rank: [
        extentOf(difference),
        outside,
        Math.abs(size(other.sounds) - size(mode.sounds)),
        apart,
        third,
        at,
      ],
    };
  });
  ranked.sort((a, b) => compareRanks(a.rank, b.rank));
  return ranked.slice(0, most).map(({ near }) => near);
}
