import { degreeNumber, degreeOf, halfSteps, type Interval } from "../pitch";
import { compareRanks } from "./rank";
import { members, type PitchClassSet, size, holds } from "./pitch-class-set";

/** What a half step above home can be called, and how far each name is from the usual one. */
const NAMES: readonly (readonly (readonly [degree: string, unusual: number])[])[] = [
  [["1", 0]],
  [["b2", 0], ["#1", 2]],
  [["2", 0]],
  [["b3", 0], ["#2", 1]],
  [["3", 0], ["b4", 3]],
  [["4", 0], ["#3", 4]],
  [["b5", 0], ["#4", 0]],
  [["5", 0]],
  [["b6", 0], ["#5", 1]],
  [["6", 0], ["bb7", 3]],
  [["b7", 0], ["#6", 2]],
  [["7", 0]],
]; // prettier-ignore

const PLAIN: readonly Interval[] = ["1", "2", "3", "4", "5", "6", "7"].map(degreeOf);

/**
 * Spells a set of sounds above home as degrees, rising. Seven notes take one letter each, however many accidentals that
 * needs; fewer take as many letters as they can and then the usual names; more than seven repeat as few as they can.
 *
 * @example spellSet(pitchClassSet([0, 1, 4, 6, 8, 10])) // 1 b2 3 b5 b6 b7
 */
export function spellSet(sounds: PitchClassSet): readonly Interval[] {
  if (size(sounds) === 7) {
    return members(sounds).map((sound, at) => {
      const plain = PLAIN[at] ?? 0;
      return plain + 7 * (sound - halfSteps(plain));
    });
  }
  const hasFifth = holds(sounds, 7);
  const choices = members(sounds).map((sound) =>
    (NAMES[sound] ?? []).map(([degree, unusual]) => ({
      interval: degreeOf(degree),
      // Over a perfect fifth the note below it is a raised fourth, without one a lowered fifth.
      unusual: degree === (hasFifth ? "b5" : "#4") ? 1 : unusual,
    })),
  );
  let ways: readonly { readonly intervals: readonly Interval[]; readonly unusual: number }[] = [
    { intervals: [], unusual: 0 },
  ];
  for (const names of choices) {
    ways = ways.flatMap((way) =>
      names.map(({ interval, unusual }) => ({
        intervals: [...way.intervals, interval],
        unusual: way.unusual + unusual,
      })),
    );
  }
  const cost = ({ intervals, unusual }: (typeof ways)[number]) => {
    const numbers = intervals.map(degreeNumber);
    const falls = numbers.filter((number, at) => number < (numbers[at - 1] ?? 0)).length;
    return [falls, intervals.length - new Set(numbers).size, unusual];
  };
  const best = ways
    .map((way) => ({ way, cost: cost(way) }))
    .reduce((least, next) => (compareRanks(next.cost, least.cost) < 0 ? next : least));
  return best.way.intervals;
}
