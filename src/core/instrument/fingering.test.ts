import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { printChord } from "../chord";
import { GUITAR, movedTo, printFingering, readFingering, shapeOf } from ".";

describe("fingerings", () => {
  test.each([
    ["x32010", "x 3 2 0 1 0"],
    ["x 7 5 7 7 x", "x 7 5 7 7 x"],
    ["X,10,9,11,10,x", "x 10 9 11 10 x"],
    ["0-2-2-1-0-0", "0 2 2 1 0 0"],
  ])("%j is read", (text, printed) => expect(printFingering(readFingering(text, 6) ?? [])).toBe(printed));

  test.each(["", "x3201", "x 3 2 0 1", "xxxxx3", "m7 b5 x x x x", "x 3 2 0 1 99", "maj9xx"])(
    "%j is none",
    (text) => {
      expect(readFingering(text, 6)).toBeUndefined();
    },
  );

  test.each([
    ["x32010", "C"],
    ["022100", "E"],
    ["x02010", "Am7"],
    ["320003", "G"],
    ["x 3 5 5 4 3", "Cm"],
  ])("%s makes %s", (text, name) => {
    const { root, tones } = shapeOf(GUITAR, readFingering(text, 6)!);
    expect(printChord({ root, tones, optional: [] })).toBe(name);
  });

  it("7 5 7 7 on the inner strings is Em9 without its fifth", () => {
    const { root, tones } = shapeOf(GUITAR, readFingering("x 7 5 7 7 x", 6)!);
    expect([printName(root), [...tones].sort()]).toEqual(["E", [...[0, -3, -2, 2]].sort()]);
  });

  it("moves as one hand, to the right root, never below the nut", () => {
    const shape = shapeOf(GUITAR, readFingering("x32010", 6)!);
    expect(printFingering(movedTo(shape, fifthsOf("D")))).toBe("x 5 4 2 3 2");
    fc.assert(
      fc.property(
        fc.integer({ min: -8, max: 12 }),
        fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 6, maxLength: 6 }),
        (target, frets) => {
          const own = shapeOf(GUITAR, frets);
          const moved = movedTo(own, target);
          expect(moved.every((fret) => fret !== null && fret >= 0)).toBe(true);
          const by = new Set(moved.map((fret, at) => (fret ?? 0) - (frets[at] ?? 0)));
          expect(by.size).toBe(1);
          expect((soundOf(own.root) + [...by][0]! + 24) % 12).toBe(soundOf(target));
        },
      ),
    );
  });
});
