import { halfSteps, type Interval } from "../pitch";
import { CATALOGUE, familyOf, type Mode, SEVEN } from "./catalogue";
import { thirdOf } from "./count";
import { type Neighbour, oneNoteAway } from "./neighbours";
import { reference } from "./reference";
import { compareRanks } from "./rank";
import { holds, holdsAll, size, soundsOf } from "./pitch-class-set";

/**
 * What a mode is compared with, on the same home: as usual one of the seven with the seven, any other mode with the seven, the modes of
 * its own parent and the modes of major, melodic and harmonic minor one note away; or the seven alone, its own parent alone, or every named mode of as many notes.
 */
export const COMPARISONS = ["usual", "parent", "seven", "catalogue"] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** The other modes of a comparison: all that do not sound the same. */
export function comparisonOf(mode: Mode, comparison: Comparison = "usual"): readonly Mode[] {
  const ofParent = familyOf(mode).modes;
  const all: Readonly<Record<Comparison, () => readonly Mode[]>> = {
    usual: () => (SEVEN.includes(mode) ? SEVEN : [...new Set([...SEVEN, ...ofParent, ...nearUsual(mode)])]),
    parent: () => ofParent,
    seven: () => SEVEN,
    catalogue: () => CATALOGUE.filter((other) => size(other.sounds) === size(mode.sounds)),
  };
  return all[comparison]().filter((other) => other.sounds !== mode.sounds);
}

/** The families that most minor and modal music is in. */
const NEAR_FAMILIES: readonly string[] = ["major", "melodic-minor", "harmonic-minor"];

/**
 * The modes one note away that players have in the ear. With every named one, each note that can be moved would be characteristic:
 * nearly all of them.
 */
const nearUsual = (mode: Mode): readonly Mode[] =>
  noteAway(mode).flatMap(({ mode: other }) => (NEAR_FAMILIES.includes(other.family) ? [other] : []));

/** The named modes of as many notes one note away, brighter and darker. */
const noteAway = (mode: Mode): readonly Neighbour[] =>
  [...oneNoteAway(mode, "brighter"), ...oneNoteAway(mode, "darker")].filter(
    ({ mode: other }) => size(other.sounds) === size(mode.sounds),
  );

/** Other modes of the comparison that hold every note of this one: where there are any, nothing that it has tells it. */
export const holdersOf = (mode: Mode, comparison: Comparison = "usual"): readonly Mode[] =>
  comparisonOf(mode, comparison).filter((other) => holdsAll(other.sounds, mode.sounds));

type Sets = readonly (readonly Interval[])[];

/** Computed once for each mode and comparison: at most 2048 times 4. */
const known = new Map<string, Sets>();

/**
 * What distinguishes a mode: every smallest set of degrees that, with home and the mode's own third, no other mode of the comparison holds.
 * Compared by sound, since spelling cannot be heard. First the set with most degrees that differ from plain major or minor, then the nearest
 * home; the others by degree. Empty where another mode of the comparison holds every note; one empty set where the third alone is enough.
 *
 * @example distinguishing(mode("dorian")) // [[3]], the sixth
 * @example distinguishing(mode("phrygian"))[0] // [-5, 1], ♭2 and 5: Locrian has the ♭2 as well
 */
export function distinguishing(mode: Mode, comparison: Comparison = "usual"): Sets {
  const key = `${mode.sounds} ${comparison}`;
  const before = known.get(key);
  if (before) return before;
  const found = smallestSets(mode, comparisonOf(mode, comparison));
  const sorted = found.length > 1 ? changedFirst(found, mode) : found;
  const frozen = Object.freeze(sorted.map((set) => Object.freeze(set)));
  known.set(key, frozen);
  return frozen;
}

/**
 * Each other mode lacks some of the candidates; a set tells the mode from all of them if it holds one of the lacking notes of
 * each. Sets of candidates are numbers, a bit for each, and the smallest that do are looked for by size.
 */
function smallestSets(mode: Mode, comparison: readonly Mode[]): Sets {
  const third = thirdOf(mode);
  const given = third === undefined ? [0] : [0, third];
  const givenSounds = soundsOf(given);
  const candidates = mode.intervals.filter((interval) => !given.includes(interval));
  const lacking = comparison
    .filter((other) => holdsAll(other.sounds, givenSounds))
    .map(({ sounds }) =>
      candidates.reduce(
        (bits, interval, at) => (holds(sounds, halfSteps(interval)) ? bits : bits | (1 << at)),
        0,
      ),
    );
  const all = Array.from({ length: 1 << candidates.length }, (_, bits) => bits);
  const telling = all.filter((bits) => lacking.every((lacks) => (bits & lacks) !== 0));
  const smallest = Math.min(...telling.map(size));
  return telling
    .filter((bits) => size(bits) === smallest)
    .map((bits) => candidates.flatMap((_, at) => (bits & (1 << at) ? [at] : [])))
    .sort(compareRanks)
    .map((places) => places.map((at) => candidates[at] ?? 0));
}

function changedFirst(sets: Sets, mode: Mode): Sets {
  const { moved, added } = reference(mode);
  const changed = new Set([...moved.map(({ to }) => to), ...added]);
  const differing = (set: readonly Interval[]) => set.filter((interval) => changed.has(interval)).length;
  const fromHome = (set: readonly Interval[]) =>
    set.reduce((sum, interval) => sum + Math.min(halfSteps(interval), 12 - halfSteps(interval)), 0);
  const first = sets.reduce((best, next) => {
    const more = differing(next) - differing(best);
    return more > 0 || (more === 0 && fromHome(next) < fromHome(best)) ? next : best;
  });
  return [first, ...sets.filter((set) => set !== first)];
}
