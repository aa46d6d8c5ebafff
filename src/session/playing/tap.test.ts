import { describe, expect, it } from "vitest";
import { tappedTempo, withTap } from "./tap";

const taps = (...times: readonly number[]) => times.reduce<readonly number[]>(withTap, []);

describe("a tapped tempo", () => {
  it.each([
    ["steady quarters", [0, 500, 1000, 1500], 120],
    ["one tap late", [0, 500, 1000, 1620, 2120], 120],
    ["a new beginning after a rest", [0, 1000, 9000, 9400, 9800], 150],
    ["faster than is possible", [0, 60, 120], 300],
    ["one tap alone", [700], undefined],
    ["two at once", [700, 700], undefined],
  ])("from %s", (_, times, tempo) => expect(tappedTempo(taps(...times))).toBe(tempo));

  it("follows a player who changes: only the last taps count", () => {
    const slow = Array.from({ length: 9 }, (_, at) => at * 1000);
    const fast = Array.from({ length: 9 }, (_, at) => 8500 + at * 500);
    expect(tappedTempo(taps(...slow, ...fast))).toBe(120);
  });
});
