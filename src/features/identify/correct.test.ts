import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { corrected } from "./correct";

const NOTES = [
  { midi: 64, onset: 0, duration: 0.5 },
  { midi: 65, onset: 0.5, duration: 0.4 },
  { midi: 67, onset: 1, duration: 1 },
];

describe("a recorded line, corrected", () => {
  test.each([
    ["higher", 1, "64 66 67"],
    ["lower", 0, "63 65 67"],
    ["take-out", 1, "64 67"],
    ["join", 1, "64 65"],
    ["part", 2, "64 65 67 67"],
    ["join", 2, "64 65 67"],
  ] as const)("%s, note %i", (how, at, midis) =>
    expect(
      corrected(NOTES, at, how)
        .map(({ midi }) => midi)
        .join(" "),
    ).toBe(midis),
  );

  it("keeps the time: a note parted is as long as before, two joined end where the second did", () => {
    expect(corrected(NOTES, 2, "part").slice(2)).toEqual([
      { midi: 67, onset: 1, duration: 0.5 },
      { midi: 67, onset: 1.5, duration: 0.5 },
    ]);
    expect(corrected(NOTES, 0, "join")[0]).toEqual({ midi: 64, onset: 0, duration: 0.9 });
  });

  it("does nothing to a note that is not there, and never leaves the keyboard", () => {
    expect(corrected(NOTES, 9, "take-out")).toBe(NOTES);
    fc.assert(
      fc.property(fc.array(fc.constantFrom("higher", "lower"), { maxLength: 300 }), (all) => {
        const end = all.reduce(
          (notes: typeof NOTES, how) => [...corrected(notes, 0, how as "higher")],
          NOTES,
        );
        expect(end[0]!.midi >= 0 && end[0]!.midi <= 127).toBe(true);
      }),
      { numRuns: 30 },
    );
  });
});
