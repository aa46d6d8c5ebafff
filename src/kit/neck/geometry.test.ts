import { describe, expect, it } from "vitest";
import { GUITAR, tuningOf } from "@/core/instrument";
import {
  isDrawn,
  isMarked,
  NECK,
  neckHeight,
  placeNear,
  markerAt,
  markerHeight,
  soundAt,
  stringAt,
  viewOf,
  wireAt,
  wiresOf,
} from "./geometry";

const view = viewOf(GUITAR, 0, 15, false);

describe("the drawing of the neck", () => {
  it("fills its width with true spacing, each fret narrower by the twelfth root of two", () => {
    expect([wireAt(0, view), wireAt(15, view)]).toEqual([NECK.nut, NECK.width - NECK.margin]);
    const widths = [1, 2, 3, 12].map((fret) => wireAt(fret, view) - wireAt(fret - 1, view));
    expect(widths[0]! / widths[1]!).toBeCloseTo(2 ** (1 / 12));
    expect(widths[0]! / widths[3]!).toBeCloseTo(2 ** (11 / 12));
  });

  it("puts markers between the wires, open strings before the nut, the low string at the foot", () => {
    expect(markerAt(0, view)).toBeLessThan(NECK.nut);
    expect(markerAt(5, view)).toBeGreaterThan(wireAt(4, view));
    expect(markerAt(5, view)).toBeLessThan(wireAt(5, view));
    expect(stringAt(6, view)).toBeGreaterThan(stringAt(1, view));
  });

  it("shows any part of the neck in the same width, with the same proportions", () => {
    const high = viewOf(GUITAR, 7, 12, false);
    expect([wireAt(6, high), wireAt(12, high)]).toEqual([NECK.margin, NECK.width - NECK.margin]);
    expect(wiresOf(high)).toEqual([7, 8, 9, 10, 11, 12]);
    const ratio = (wireAt(8, high) - wireAt(7, high)) / (wireAt(9, high) - wireAt(8, high));
    expect(ratio).toBeCloseTo(2 ** (1 / 12));
    expect([6, 7, 12, 13].map((fret) => isDrawn({ string: 1, fret }, high))).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });

  it("is turned round for the left hand, strings as they were", () => {
    const left = viewOf(GUITAR, 0, 15, true);
    expect(wireAt(5, left)).toBe(NECK.width - wireAt(5, view));
    expect(markerAt(0, left)).toBeGreaterThan(wireAt(0, left));
    expect(stringAt(6, left)).toBe(stringAt(6, view));
  });

  it("keeps to the frets that there are, four at least, the capo’s hand among them", () => {
    expect(viewOf(GUITAR, 30, 40, false)).toMatchObject({ fromFret: 18, toFret: 22 });
    expect(viewOf({ ...GUITAR, capo: 7 }, 0, 5, false)).toMatchObject({ fromFret: 0, toFret: 11 });
    expect(viewOf(GUITAR, 10, 5, false)).toMatchObject({ fromFret: 1, toFret: 5 });
  });

  it("gives many strings the height of six, with markers that do not touch", () => {
    const eight = viewOf(tuningOf("guitar-8"), 0, 15, false);
    expect(neckHeight(eight)).toBe(neckHeight(view));
    expect(markerHeight(eight)).toBeLessThan(stringAt(2, eight) - stringAt(1, eight));
    expect(neckHeight(viewOf(tuningOf("bass"), 0, 15, false))).toBeLessThan(neckHeight(view));
  });

  it("sets the numbers in bold where necks are marked, at every octave", () => {
    expect([0, 1, 3, 5, 7, 9, 12, 15, 24].filter(isMarked)).toEqual([0, 3, 5, 7, 9, 12, 15, 24]);
  });
});

describe("a place that is struck", () => {
  it("is the one whose marker is there, for either hand, open strings too", () => {
    for (const isLeft of [false, true]) {
      const seen = viewOf(GUITAR, 0, 15, isLeft);
      for (const fret of [0, 1, 7, 15])
        for (const string of [1, 4, 6])
          expect(placeNear(seen, markerAt(fret, seen) + 4, stringAt(string, seen) - 5)).toEqual({
            string,
            fret,
          });
      expect(placeNear(seen, 300, stringAt(6, seen) + 20)).toBeUndefined();
    }
  });

  it("sounds as it is fretted, over the capo", () => {
    expect([soundAt(GUITAR, { string: 6, fret: 0 }), soundAt(GUITAR, { string: 1, fret: 5 })]).toEqual([
      40, 69,
    ]);
    const capo = { ...GUITAR, capo: 3 };
    expect([soundAt(capo, { string: 6, fret: 0 }), soundAt(capo, { string: 6, fret: 5 })]).toEqual([43, 45]);
  });
});
