import { describe, expect, it } from "vitest";
import { SEVEN } from "../scale";
import { askedBy, coversModes, type Exam, LEVELS, setExam } from ".";

const SEEDS = 1000;

const exam = (part: Partial<Exam>): Exam => ({
  questions: ["mode"],
  modes: SEVEN.map(({ id }) => id),
  textures: ["drone"],
  home: 2,
  moves: true,
  octaves: 1,
  way: "both",
  times: 0,
  count: 20,
  answers: "each",
  register: "middle",
  tunes: [],
  ...part,
});

const rowOf = (set: Exam, seed: number, first = askedBy(set).slice(0, 0)): readonly string[] =>
  setExam(set, seed * 7919 + 17, first).map(({ card }) => card.mode);

/** Guesses the next answer from all answers so far. */
type Predictor = (before: readonly string[]) => string;

/** What comes most often after a context of so many answers, learned from other rows. */
function byContext(rows: readonly (readonly string[])[], order: number, usual: string): Predictor {
  const counts = new Map<string, Map<string, number>>();
  for (const row of rows)
    for (const [at, mode] of row.entries()) {
      const context = `${at} ${row.slice(Math.max(0, at - order), at).join(" ")}`;
      const after = counts.get(context) ?? new Map<string, number>();
      counts.set(context, after.set(mode, (after.get(mode) ?? 0) + 1));
    }
  return (before) => {
    const after = counts.get(`${before.length} ${before.slice(-order).join(" ")}`);
    return [...(after ?? [])].toSorted((a, b) => b[1] - a[1])[0]?.[0] ?? usual;
  };
}

const most = (before: readonly string[], modes: readonly string[], way: 1 | -1): string =>
  modes.toSorted(
    (a, b) => way * (before.filter((each) => each === b).length - before.filter((each) => each === a).length),
  )[0] ?? "";

const predictors = (
  learned: readonly (readonly string[])[],
  modes: readonly string[],
): readonly Predictor[] => [
  ...[0, 1, 2, 3].map((order) => byContext(learned, order, modes[0] ?? "")),
  ...[1, 2, 3, 4].map(
    (back): Predictor =>
      (before) =>
        before.at(-back) ?? modes[0] ?? "",
  ),
  (before) => most(before, modes, 1),
  // What has not come for longest, and so must come where each mode is promised.
  (before) => most(before, modes, -1),
];

/** By how much the best predictor is above chance. */
function gain(set: Exam, chance: number, first = askedBy(set).slice(0, 0)): number {
  const rows = Array.from({ length: 2 * SEEDS }, (_, seed) => rowOf(set, seed, first));
  const [learned, asked] = [rows.slice(0, SEEDS), rows.slice(SEEDS)];
  const shares = predictors(learned, set.modes).map((predict) => {
    const right = asked.flatMap((row) => row.map((mode, at) => predict(row.slice(0, at)) === mode));
    return right.filter(Boolean).length / right.length;
  });
  return Math.max(...shares) - chance;
}

describe("nobody can foresee the answer", () => {
  it.each(LEVELS.map(({ id }) => id))("in a day's session of the level %s", (id) => {
    const level = LEVELS.find((each) => each.id === id)!;
    const set = exam({ ...level.exam, count: 20 });
    const asked = askedBy(set).filter(({ question }) => question !== "differs");
    const first = Array.from({ length: 20 }, (_, nth) => asked[nth % asked.length]!);
    expect(gain(set, 1 / set.modes.length, first)).toBeLessThan(0.015);
  });

  it("at 8 questions of an exam that promises every mode", () => {
    const set = exam({ modes: ["ionian", "mixolydian", "dorian", "aeolian"], count: 8 });
    expect(gain(set, 1 / 4)).toBeLessThan(0.1);
  });

  it("at 20 questions of an exam over all seven", () => expect(gain(exam({}), 1 / 7)).toBeLessThan(0.03));

  it("in thirds: either is right in half of all, also where more modes are minor", () => {
    const set = exam({ questions: ["third"], count: 20 });
    const majors = ["ionian", "lydian", "mixolydian"];
    const rights = Array.from({ length: 300 }, (_, seed) => rowOf(set, seed)).flat();
    expect(rights.filter((mode) => majors.includes(mode)).length / rights.length).toBeCloseTo(0.5, 1);
  });

  it("by its home", () => {
    const set = exam({ modes: ["dorian", "aeolian"], count: 20 });
    const all = Array.from({ length: 500 }, (_, seed) => setExam(set, seed)).flat();
    const homes = [...new Set(all.map(({ home }) => home))];
    for (const home of homes) {
      const here = all.filter((each) => each.home === home);
      expect(here.filter(({ card }) => card.mode === "dorian").length / here.length).toBeGreaterThan(0.42);
      expect(here.filter(({ card }) => card.mode === "dorian").length / here.length).toBeLessThan(0.58);
    }
  });
});

describe("an exam", () => {
  it("that is long enough has every mode, one that isn't promises nothing", () => {
    for (let seed = 0; seed < 200; seed += 1) {
      expect(new Set(rowOf(exam({ count: 20 }), seed)).size).toBe(7);
      expect(
        new Set(rowOf(exam({ modes: ["ionian", "dorian", "aeolian", "lydian"], count: 8 }), seed)).size,
      ).toBe(4);
    }
    expect(coversModes({ count: 8, modes: SEVEN.map(({ id }) => id) })).toBe(false);
    expect(
      new Set(Array.from({ length: 50 }, (_, seed) => new Set(rowOf(exam({ count: 8 }), seed)).size)).size,
    ).toBeGreaterThan(1);
  });
});
