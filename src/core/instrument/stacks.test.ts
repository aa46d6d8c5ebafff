import { describe, expect, it } from "vitest";
import { writtenFor } from "../progression";
import { fifthsOf, printDegree, printName } from "../pitch";
import { type HomeMode, mode } from "../scale";
import { stacksOn, tuningOf } from ".";

const GUITAR = tuningOf("guitar");
const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

describe("fourths over the whole neck", () => {
  it("stand on neighbouring strings, from the nut up, in every place", () => {
    const [fourths] = writtenFor(at("D", "dorian"), "fourths");
    const stacks = stacksOn(GUITAR, fourths!.chords, 5);
    expect(stacks.find(({ chord }) => printName(chord.root) === "D")?.frets).toEqual([
      null,
      5,
      5,
      5,
      null,
      null,
    ]);
    const lows = stacks.map(({ frets }) => Math.min(...frets.filter((fret) => fret !== null)));
    expect(lows).toEqual(lows.toSorted((a, b) => a - b));
    expect(new Set(stacks.map(({ chord }) => chord.root)).size).toBe(7);
    expect(stacksOn(GUITAR, fourths!.chords, 2)).toEqual([]);
  });

  it("have degrees that are all of the mode", () => {
    const [fourths] = writtenFor(at("Bb", "lydian"), "fourths");
    const degrees = fourths!.chords.map(({ root }) => printDegree(root - fifthsOf("Bb")));
    expect(degrees).toEqual(["1", "2", "3", "#4", "5", "6", "7"]);
  });
});
