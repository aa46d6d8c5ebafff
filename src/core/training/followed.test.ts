import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { followed } from ".";

const LINE = [62, 64, 65, 67, 69, 71, 72, 74];

describe("a line that is sung along", () => {
  it.each<[string, readonly number[], number, number]>([
    ["as it is", LINE, 8, 0],
    ["an octave lower, 55 cents flat", LINE.map((midi) => midi - 12.55), 8, -55],
    ["40 cents sharp", LINE.map((midi) => midi + 0.4), 8, 40],
    ["with the sixth lowered", LINE.map((midi) => (midi === 71 ? 70 : midi)), 7, 0],
    ["with a note left out", LINE.filter((midi) => midi !== 67), 7, 0],
    ["with a note too many in the middle", [...LINE.slice(0, 3), 66, ...LINE.slice(3)], 8, 0],
    ["only its beginning", LINE.slice(0, 3), 3, 0],
    ["another line", [63, 61, 68, 70], 0, 0],
    ["not at all", [], 0, 0],
  ])("%s", (_, heights, right, cents) => {
    const found = followed(LINE, heights);
    expect([found.right, found.cents]).toEqual([right, cents]);
    expect(found.notes).toHaveLength(LINE.length);
  });

  it("says which note is which, and how far beside it lies", () => {
    const { notes } = followed(LINE, [62, 64.2, 65, 68, 69, 71, 72, 74]);
    expect(notes[1]).toMatchObject({ at: 1, isRight: true });
    expect(notes[1]!.cents).toBeGreaterThan(10);
    expect(notes[3]).toMatchObject({ at: 3, isRight: false });
    expect(
      followed(LINE, LINE.slice(2))
        .notes.slice(0, 3)
        .map((each) => each?.at),
    ).toEqual([undefined, undefined, 0]);
  });

  it("never counts more notes than there are, and each at most once, in order", () => {
    const midis = fc.array(fc.integer({ min: 48, max: 80 }), { maxLength: 12 });
    const heights = fc.array(fc.double({ min: 45, max: 85, noNaN: true }), { maxLength: 14 });
    fc.assert(
      fc.property(midis, heights, (line, sung) => {
        const { notes, right } = followed(line, sung);
        const taken = notes.flatMap((each) => (each ? [each.at] : []));
        expect(right).toBeLessThanOrEqual(Math.min(line.length, sung.length));
        expect(taken).toEqual([...new Set(taken)].toSorted((a, b) => a - b));
      }),
    );
  });
});
