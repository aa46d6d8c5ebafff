import { describe, expect, it } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { bestVamp } from "@/core/progression";
import { mode } from "@/core/scale";
import { earScore } from ".";

describe("a question as it is played", () => {
  const line = [
    { step: 0, at: 0, length: 1 },
    { step: 9, at: 1, length: 3 },
  ];

  it("has its line on its home, over the held note", () => {
    const { notes, beats, loops } = earScore(fifthsOf("D"), { line, beats: 4, hasDrone: true });
    expect(notes.map(({ part, midi }) => [part, midi])).toEqual([
      ["line", 62],
      ["line", 71],
      ["drone", 50],
    ]);
    expect([beats, loops]).toEqual([4, false]);
  });

  it("has its two chords alternating for as long as it lasts, and no note of its own below them", () => {
    const vamp = bestVamp({ home: fifthsOf("D"), mode: mode("dorian") })!;
    const { chords, notes } = earScore(fifthsOf("D"), { line: [], beats: 14, hasDrone: false, vamp });
    expect(chords?.map(({ at, length }) => [at, length])).toEqual([
      [0, 4],
      [4, 4],
      [8, 4],
      [12, 2],
    ]);
    expect(chords?.map(({ chord }) => chord.root)).toEqual([2, 1, 2, 1]);
    expect(notes).toEqual([]);
  });
});
