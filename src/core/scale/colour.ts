import { halfSteps, type Interval } from "../pitch";
import { CATALOGUE, familyOf, type Mode, SEVEN } from "./catalogue";
import { thirdOf } from "./count";
import { reference, type ReferenceSchool } from "./reference";
import { holdsAll, size, type SoundSet, soundsOf } from "./sound-set";

/**
 * What a mode is told from, on the same home: the seven of major and the modes of its own parent together, either of them
 * alone, or every named mode of as many notes.
 */
export const COMPARISONS = ["usual", "parent", "seven", "catalogue"] as const;
export type Comparison = (typeof COMPARISONS)[number];

/** The other modes of a comparison: all that do not sound the same. */
export function comparisonOf(mode: Mode, comparison: Comparison = "usual"): readonly Mode[] {
  const own = familyOf(mode).modes;
  const all: Readonly<Record<Comparison, () => readonly Mode[]>> = {
    usual: () => [...new Set([...SEVEN, ...own])],
    parent: () => own,
    seven: () => SEVEN,
    catalogue: () => CATALOGUE.filter((other) => size(other.sounds) === size(mode.sounds)),
  };
  return all[comparison]().filter((other) => other.sounds !== mode.sounds);
}

/** Other modes of the comparison that hold every note of this one: where there are any, nothing that it has tells it. */
export const holdersOf = (mode: Mode, comparison: Comparison = "usual"): readonly Mode[] =>
  comparisonOf(mode, comparison).filter((other) => holdsAll(other.sounds, mode.sounds));

type Sets = readonly (readonly Interval[])[];

/** Reckoned once for each mode, comparison and school: at most 2048 times 12. */
const known = new Map<string, Sets>();

/**
 * The colour notes: every smallest set of degrees that, with home and the mode's own third, no other mode of the
 * comparison holds. Compared by sound, since spelling cannot be heard. First the one with most degrees that differ
 * from the reference, then the nearest home; the others by degree. Empty where another mode of the comparison holds
 * every note; one empty set where the third alone is enough.
 *
 * @example colourNotes(mode("dorian")) // [[3]], the sixth
 * @example colourNotes(mode("ionian")) // [[-1, 5]], fourth and seventh
 */
export function colourNotes(
  mode: Mode,
  comparison: Comparison = "usual",
  school: ReferenceSchool = "by-third",
): Sets {
  const key = `${mode.sounds} ${comparison} ${school}`;
  const before = known.get(key);
  if (before) return before;
  const found = smallestSets(mode, comparisonOf(mode, comparison));
  const sorted = found.length > 1 ? shownFirst(found, mode, school) : found;
  const frozen = Object.freeze(sorted.map((set) => Object.freeze(set)));
  known.set(key, frozen);
  return frozen;
}

function smallestSets(mode: Mode, comparison: readonly Mode[]): Sets {
  const third = thirdOf(mode);
  const given = third === undefined ? [0] : [0, third];
  const givenSounds = soundsOf(given);
  const others = comparison.map((other) => other.sounds).filter((other) => holdsAll(other, givenSounds));
  if (others.some((other) => holdsAll(other, mode.sounds))) return [];
  const candidates = mode.intervals.filter((interval) => !given.includes(interval));
  for (let count = 0; count <= candidates.length; count += 1) {
    const telling = choose(candidates, count).filter((set) => {
      const sounds: SoundSet = soundsOf(set);
      return others.every((other) => !holdsAll(other, sounds));
    });
    if (telling.length > 0) return telling;
  }
  return [];
}

/** All ways to take `count` of the items, in order. */
function choose<T>(items: readonly T[], count: number): readonly (readonly T[])[] {
  if (count === 0) return [[]];
  return items.flatMap((item, at) => choose(items.slice(at + 1), count - 1).map((rest) => [item, ...rest]));
}

function shownFirst(sets: Sets, mode: Mode, school: ReferenceSchool): Sets {
  const { moved, added } = reference(mode, school);
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
