import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { size } from "../scale";
import { bestPaths, type Path, type PathCosts } from "./paths";
import type { State } from "./states";

/** Each further note changed counts half of the one before, after three none. */
const changed = (one: State, other: State) => {
  const count = Math.min(3, size(one.sounds ^ other.sounds) / 2);
  return ({ 0: 0, 1: 1, 2: 1.5, 3: 1.75 } as Record<number, number>)[count] ?? 2 - 2 * 0.5 ** count;
};

/** Every way through the chords, tried one by one. */
function bruteForce({ states, stays, change, changesAt }: PathCosts): readonly number[] {
  let ways: { cost: number; last: number }[] = states.map((state, at) => ({
    cost: state.rarity + (stays[0]?.[at] ?? 0),
    last: at,
  }));
  for (let at = 1; at < stays.length; at += 1) {
    ways = ways.flatMap(({ cost, last }) =>
      states.map((state, next) => {
        const from = states[last]!;
        const turned =
          next === last
            ? 0
            : change.base +
              changesAt[at]! +
              state.rarity +
              changed(from, state) * change.note +
              (from.home === state.home ? 0 : change.home);
        return { cost: cost + turned + stays[at]![next]!, last: next };
      }),
    );
  }
  return ways
    .map(({ cost }) => cost)
    .filter((cost) => cost < Infinity)
    .sort((a, b) => a - b);
}

const costOf = (costs: PathCosts, { states: way }: Path): number => {
  const stays = way.reduce((sum, state, at) => sum + costs.stays[at]![state]!, 0);
  return way.reduce((sum, to, at) => {
    const [one, other] = [costs.states[way[at - 1]!], costs.states[to]!];
    if (at === 0) return sum + other.rarity;
    if (one === other || !one) return sum;
    const home = one.home === other.home ? 0 : costs.change.home;
    return (
      sum +
      costs.change.base +
      costs.changesAt[at]! +
      other.rarity +
      changed(one, other) * costs.change.note +
      home
    );
  }, stays);
};

const state: fc.Arbitrary<State> = fc.record({
  home: fc.nat(3),
  mode: fc.constant(undefined as never),
  sounds: fc.integer({ min: 1, max: 4095 }),
  rarity: fc.constantFrom(0, 0.001, 0.15, 0.4),
});
const cost = fc.oneof(
  { weight: 6, arbitrary: fc.integer({ min: 0, max: 8 }).map((n) => n / 4) },
  { weight: 1, arbitrary: fc.constant(Infinity) },
);
const costs: fc.Arbitrary<PathCosts> = fc
  .record({ states: fc.array(state, { minLength: 1, maxLength: 5 }), length: fc.integer({ min: 1, max: 5 }) })
  .chain(({ states, length }) =>
    fc.record({
      states: fc.constant(states),
      stays: fc.array(
        fc
          .array(cost, { minLength: states.length, maxLength: states.length })
          .map((all) => Float64Array.from(all)),
        { minLength: length, maxLength: length },
      ),
      change: fc.record({
        base: fc.constantFrom(0, 0.6),
        note: fc.constantFrom(0, 0.3),
        home: fc.constantFrom(0, 0.5),
      }),
      changesAt: fc.array(fc.constantFrom(0, 0.05), { minLength: length, maxLength: length }),
    }),
  );

describe("ways through chords", () => {
  it("come cheapest first, each once, at the costs that trying all of them gives", () => {
    fc.assert(
      fc.property(costs, (asked) => {
        const expected = bruteForce(asked).slice(0, 40);
        const found: Path[] = [];
        for (const path of bestPaths(asked)) {
          found.push(path);
          if (found.length === expected.length) break;
        }
        expect(found.length).toBe(expected.length);
        for (const [at, path] of found.entries()) {
          expect(path.cost).toBeCloseTo(expected[at]!, 9);
          expect(costOf(asked, path)).toBeCloseTo(path.cost, 9);
        }
        expect(new Set(found.map(({ states }) => states.join(" "))).size).toBe(found.length);
      }),
      { numRuns: 300 },
    );
  });

  it("are none where there is nothing to go through, or no way", () => {
    const none = { change: { base: 0, note: 0, home: 0 }, changesAt: [0] };
    expect([...bestPaths({ ...none, states: [], stays: [] })]).toEqual([]);
    const one = { home: 0, mode: undefined as never, sounds: 1, rarity: 0 };
    expect([...bestPaths({ ...none, states: [one], stays: [Float64Array.of(Infinity)] })]).toEqual([]);
  });

  it("change late among equals", () => {
    const states = [0b1, 0b10].map((sounds) => ({ home: 0, mode: undefined as never, sounds, rarity: 0 }));
    const stays = [
      [0, 5],
      [0, 0],
      [5, 0],
    ].map((all) => Float64Array.from(all));
    const change = { base: 0.6, note: 0.3, home: 0.5 };
    const [first, second] = [...bestPaths({ states, stays, change, changesAt: [0, 0, 0] })];
    expect([first?.states, second?.states]).toEqual([
      [0, 0, 1],
      [0, 1, 1],
    ]);
  });
});
