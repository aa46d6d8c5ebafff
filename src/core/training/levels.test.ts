import { describe, expect, it } from "vitest";
import {
  type Attempt,
  type Level,
  levelPlaced,
  levelReached,
  LEVELS,
  levelStandings,
  lowerBound,
  mixedPairs,
  passedLevels,
  type PlacementAnswer,
  PLACEMENT_QUESTIONS,
  placementQuestion,
  reopenedLevels,
  seeded,
} from ".";

const DAY = 86_400_000;
const level = (id: string): Level => LEVELS.find((each) => each.id === id)!;

let time = 0;
const attempt = (of: Level, mode: string, isRight = true, part: Partial<Attempt> = {}): Attempt => ({
  at: (time += 1000),
  card: { question: of.exam.questions[0]!, mode, texture: of.exam.textures[0] },
  isRight,
  given: isRight ? mode : "ionian",
  right: mode,
  took: 4000,
  heard: 1,
  choices: of.exam.modes,
  octaves: of.exam.octaves,
  ...part,
});

/** Each mode of a level in turn, so many times. */
const rounds = (
  of: Level,
  times: number,
  isRight: (nth: number) => boolean = () => true,
  part: Partial<Attempt> = {},
) =>
  Array.from({ length: times * of.exam.modes.length }, (_, nth) =>
    attempt(of, of.exam.modes[nth % of.exam.modes.length]!, isRight(nth), part),
  );

const passed = (attempts: readonly Attempt[]) => [...passedLevels(attempts)].map(({ id }) => id);

describe("a level", () => {
  it("is passed at 20 of 24 and not at 19, where there are two choices at 21", () => {
    expect([lowerBound(20, 24) >= 0.7, lowerBound(19, 24) >= 0.7]).toEqual([true, false]);
    expect([lowerBound(21, 24) >= 0.75, lowerBound(20, 24) >= 0.75]).toEqual([true, false]);
    const four = level("four");
    // The wrong ones lie far back, so that of each mode the last five are right.
    expect(passed(rounds(four, 6, (nth) => nth > 3))).toEqual(["four"]);
    expect(passed(rounds(four, 4, (nth) => nth > 4))).toEqual([]);
  });

  it("stays open while of one mode fewer than four of the last five are right", () => {
    const four = level("four");
    const standing = levelStandings(rounds(four, 6, (nth) => nth % 4 !== 2 || nth > 18)).get(four)!;
    expect(standing.isPassed).toBe(false);
    expect(standing.open).toEqual(["dorian"]);
  });

  it.each(LEVELS.map(({ id }) => id))("%s is not passed by what another asks", (id) => {
    const one = level(id);
    expect(passed(rounds(one, 6))).toEqual([id]);
  });

  it("is not passed by other textures, octaves, hearings or choices than its own", () => {
    const once = level("once");
    const bare = level("bare");
    expect(passed(rounds(once, 6, () => true, { heard: 2 }))).toEqual([]);
    expect(passed(rounds(bare, 6, () => true, { octaves: 2, heard: 5 }))).toEqual([]);
    expect(passed(rounds(level("seven"), 6, () => true, { choices: ["dorian", "lydian"] }))).toEqual([]);
    // What was answered before it was kept what could be chosen counts for nothing, and is said to be open again.
    const before = rounds(level("four"), 6, () => true, { choices: undefined });
    expect(passed(before)).toEqual([]);
    expect(reopenedLevels(before).map(({ id }) => id)).toContain("four");
    expect(reopenedLevels(rounds(level("four"), 6))).toEqual([]);
  });

  it("counts the last answers alone, however many there are", () => {
    const many = rounds(level("seven"), 700, (nth) => nth % 2 === 0);
    const standing = levelStandings(many).get(level("seven"))!;
    expect([standing.of, standing.right, standing.isPassed]).toEqual([24, 12, false]);
  });

  it("that is passed stays passed, and what asks less is not asked for any more", () => {
    const four = level("four");
    expect(passed([...rounds(four, 6), ...rounds(four, 6, () => false)])).toEqual(["four"]);
    expect(levelReached(new Set()).id).toBe("third");
    expect(levelReached(new Set([level("six")])).id).toBe("seven");
    expect(levelReached(new Set([level("two")])).id).toBe("third");
    expect(levelReached(new Set([level("third"), level("seven"), level("once")])).id).toBe("phrases");
    expect(levelReached(new Set(LEVELS)).id).toBe("dominants");
    // From where a placement has found it; what a harder level holds isn't asked again.
    expect(levelReached(new Set(), level("six")).id).toBe("six");
    expect(levelReached(new Set([level("seven")]), level("six")).id).toBe("bare");
  });
});

describe("modes that are mixed up", () => {
  const dayOf = (at: number) => Math.floor(at / DAY);
  const named = (right: string, given: string, day: number, choices = ["dorian", "aeolian"]): Attempt => ({
    ...attempt(level("four"), right, right === given),
    at: day * DAY + (time += 1),
    given,
    choices,
  });

  it("come back as a pair until they are told apart on three days", () => {
    const mixed = [
      named("dorian", "aeolian", 1),
      named("aeolian", "dorian", 1),
      named("dorian", "dorian", 1),
    ];
    expect(mixedPairs(mixed.slice(0, 1), dayOf)).toEqual([]);
    expect(mixedPairs(mixed, dayOf)).toEqual([{ modes: ["aeolian", "dorian"], times: 2, of: 3, days: 0 }]);
    const apart = (day: number) => [named("dorian", "dorian", day), named("aeolian", "aeolian", day)];
    const two = [...mixed, ...apart(2), ...apart(3)];
    expect(mixedPairs(two, dayOf)[0]?.days).toBe(2);
    expect(mixedPairs([...two, ...apart(3)], dayOf)[0]?.days).toBe(2);
    expect(mixedPairs([...two, ...apart(4)], dayOf)).toEqual([]);
    // Mixed up once more, it begins again; questions about more than the two don't count.
    expect(mixedPairs([...two, named("dorian", "aeolian", 4), ...apart(5)], dayOf)[0]?.days).toBe(1);
    const among = [1, 2, 3].flatMap((day) => [
      named("dorian", "dorian", day + 1, ["dorian", "aeolian", "ionian"]),
    ]);
    expect(mixedPairs([...mixed, ...among, ...among], dayOf)[0]?.days).toBe(0);
  });
});

describe("a placement", () => {
  const ladder = LEVELS.filter(({ id }) => !["minors", "dominants"].includes(id));
  const choices = ({ exam: { questions, modes } }: Level) => (questions.includes("third") ? 2 : modes.length);

  /** Somebody who knows the levels up to one, and guesses beyond it. */
  function placed(reached: number, seed: number): number {
    const random = seeded(seed);
    const answers: PlacementAnswer[] = [];
    while (answers.length < PLACEMENT_QUESTIONS) {
      const { level: asked } = placementQuestion(answers, 2, random);
      const at = ladder.findIndex(({ id }) => id === asked);
      const right = at <= reached ? 0.92 : 1 / choices(ladder[at]!);
      answers.push({ level: asked, isRight: random() < right });
    }
    return ladder.indexOf(levelPlaced(answers));
  }

  it("finds the level within one in 80 of 100, for pupils of every level", () => {
    const shares = ladder.map((_, reached) => {
      const found = Array.from({ length: 200 }, (__, seed) =>
        Math.abs(placed(reached, seed * 31 + 5) - reached),
      );
      return found.filter((off) => off <= 1).length / found.length;
    });
    expect(shares.reduce((sum, share) => sum + share) / shares.length).toBeGreaterThan(0.8);
    expect(Math.min(...shares)).toBeGreaterThan(0.7);
  });
});
