import { describe, expect, it } from "vitest";
import { GUITAR } from "@/core/instrument";
import { NECK, nearestStart, nextStart, plateAt, stringAt, wireAt } from "./geometry";

describe("the drawing of the neck", () => {
  it("fills its width with true spacing, each fret narrower by the twelfth root of two", () => {
    expect([wireAt(0, GUITAR), wireAt(15, GUITAR)]).toEqual([NECK.nut, NECK.right]);
    const widths = [1, 2, 3, 12].map((fret) => wireAt(fret, GUITAR) - wireAt(fret - 1, GUITAR));
    expect(widths[0]! / widths[1]!).toBeCloseTo(2 ** (1 / 12));
    expect(widths[0]! / widths[3]!).toBeCloseTo(2 ** (11 / 12));
  });

  it("puts plates between the wires, open strings before the nut, the low string at the foot", () => {
    expect(plateAt(0, GUITAR)).toBeLessThan(NECK.nut);
    expect(plateAt(5, GUITAR)).toBeGreaterThan(wireAt(4, GUITAR));
    expect(plateAt(5, GUITAR)).toBeLessThan(wireAt(5, GUITAR));
    expect(stringAt(6)).toBeGreaterThan(stringAt(1));
  });

  it("steps through positions and stays at the ends", () => {
    const starts = [0, 1, 3, 5];
    expect([nearestStart(starts, 2), nearestStart(starts, 9)]).toEqual([3, 5]);
    expect([
      nextStart(starts, 3, 1),
      nextStart(starts, 5, 1),
      nextStart(starts, 0, -1),
      nextStart(starts, 2, -1),
    ]).toEqual([5, 5, 0, 1]);
  });
});
