import { describe, expect, it } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { bestVamp } from "@/core/progression";
import { mode } from "@/core/scale";
import { earScore, tellingScore } from ".";

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

describe("two modes side by side", () => {
  it("have each its third, its characteristic note and then all of it, over the held home", () => {
    const on = (id: string) => ({ home: fifthsOf("Eb"), mode: mode(id) });
    const { notes, marks = [] } = tellingScore([on("dorian"), on("aeolian")]);
    const heard = (from: number, to: number) =>
      notes.filter(({ part, at }) => part === "line" && at >= from && at < to).map(({ midi }) => midi - 63);
    expect(heard(0, marks[1] ?? 0)).toEqual([0, 3, 0, 9, 0, 2, 3, 5, 7, 9, 10, 12]);
    expect(heard(marks[1] ?? 0, Infinity)).toEqual([0, 3, 0, 8, 0, 2, 3, 5, 7, 8, 10, 12]);
    expect(notes.filter(({ part }) => part === "drone").map(({ midi }) => midi % 12)).toEqual([3, 3]);
  });
});
