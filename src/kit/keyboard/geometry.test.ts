import { describe, expect, it } from "vitest";
import { isBlackKey } from "@/core/instrument";
import { keyAt, keyNear, keyRange, KEYS } from "./geometry";

describe("the drawing of the keyboard", () => {
  it("shows three octaves at least, from a C to a B, the notes in the middle", () => {
    expect(keyRange([62, 74])).toEqual([48, 83]);
    expect(keyRange([60, 64])).toEqual([48, 83]);
    expect(keyRange([])).toEqual([48, 83]);
    expect(keyRange([40, 88])).toEqual([36, 95]);
  });

  it("has its white keys side by side and its black ones across the lines between them", () => {
    const range = [48, 83] as const;
    const keys = Array.from({ length: 36 }, (_, at) => 48 + at);
    const whites = keys.filter((midi) => !isBlackKey(midi)).map((midi) => keyAt(midi, range));
    for (const [at, { x, width }] of whites.entries()) expect(x).toBeCloseTo(at * width);
    expect(whites.at(-1)!.x + whites.at(-1)!.width).toBeCloseTo(KEYS.width);
    const line = keyAt(50, range).x;
    const cSharp = keyAt(49, range);
    expect(cSharp.x + cSharp.width / 2).toBeCloseTo(line);
    expect(cSharp.width).toBeLessThan(keyAt(48, range).width);
  });

  it("is struck where the key lies, black over white", () => {
    const range = [48, 83] as const;
    for (const midi of [48, 49, 60, 66, 83]) {
      const { x, width } = keyAt(midi, range);
      expect(keyNear(range, x + width / 2, 10)).toBe(midi);
    }
    const cSharp = keyAt(49, range);
    expect(keyNear(range, cSharp.x + 1, KEYS.height - 4)).toBe(48);
    expect(keyNear(range, 10, KEYS.height + 4)).toBeUndefined();
  });
});
