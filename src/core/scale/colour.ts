import { halfSteps, type Interval } from "../pitch";
import { familyOf, type NamedMode, SEVEN } from "./catalogue";
import { thirdOf } from "./count";
import { reference, type ReferenceSchool } from "./reference";
import { holdsAll, type SoundSet, soundsOf } from "./sound-set";

/** The modes that a mode is told from, on the same home: the seven of major and those of its own parent. */
export function usualComparison(mode: NamedMode): readonly NamedMode[] {
  return [...new Set([...SEVEN, ...familyOf(mode).modes])];
}

/**
 * The colour notes: every smallest set of degrees that, with home and the mode's own third, no other mode of the
 * comparison holds. Compared by sound, since spelling cannot be heard. First the one with most degrees that differ
 * from the reference, then the nearest home; the others by degree. Empty where a mode of the comparison sounds
 * the same throughout.
 *
 * @example colourNotes(mode("dorian")) // [[3]], the sixth
 * @example colourNotes(mode("ionian")) // [[-1, 5]], fourth and seventh
 */
export function colourNotes(
  mode: NamedMode,
  comparison: readonly NamedMode[] = usualComparison(mode),
  school: ReferenceSchool = "by-third",
): readonly (readonly Interval[])[] {
  const third = thirdOf(mode);
  const given = third === undefined ? [0] : [0, third];
  const others = comparison.map((other) => other.sounds).filter((sounds) => sounds !== mode.sounds);
  const candidates = mode.intervals.filter((interval) => !given.includes(interval));
  for (let count = 0; count <= candidates.length; count += 1) {
    const telling = choose(candidates, count).filter((set) => {
      const sounds: SoundSet = soundsOf([...given, ...set]);
      return others.every((other) => !holdsAll(other, sounds));
    });
    if (telling.length > 0) return shownFirst(telling, mode, school);
  }
  return [];
}

/** All ways to take `count` of the items, in order. */
function choose<T>(items: readonly T[], count: number): readonly (readonly T[])[] {
  if (count === 0) return [[]];
  return items.flatMap((item, at) => choose(items.slice(at + 1), count - 1).map((rest) => [item, ...rest]));
}

function shownFirst(
  sets: readonly (readonly Interval[])[],
  mode: NamedMode,
  school: ReferenceSchool,
): readonly (readonly Interval[])[] {
  const changed = new Set(reference(mode, school).changes.map((change) => change.to));
  const differing = (set: readonly Interval[]) => set.filter((interval) => changed.has(interval)).length;
  const fromHome = (set: readonly Interval[]) =>
    set.reduce((sum, interval) => sum + Math.min(halfSteps(interval), 12 - halfSteps(interval)), 0);
  const first = sets.reduce((best, next) => {
    const more = differing(next) - differing(best);
    return more > 0 || (more === 0 && fromHome(next) < fromHome(best)) ? next : best;
  });
  return [first, ...sets.filter((set) => set !== first)];
}
