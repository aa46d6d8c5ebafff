import { describe, expect, it, test } from "vitest";
import { chordNotes, readSymbol } from "@/core/chord";
import { printName } from "@/core/pitch";
import { type HarmonyDegree, symbolOf } from "./musicxml-harmony";

const harmony = (kind: string, degrees: readonly HarmonyDegree[]) =>
  symbolOf({ root: { step: "C", alter: 0 }, kind, degrees, bass: undefined });
const notesOf = (symbol: string | undefined) => {
  const reading = readSymbol(symbol ?? "");
  return "chord" in reading
    ? chordNotes(reading.chord)
        .map((note) => printName(note))
        .join(" ")
    : undefined;
};
const degree = (type: HarmonyDegree["type"], value: number, alter = 0): HarmonyDegree => ({
  type,
  value,
  alter,
});

describe("harmonies as symbols that can be read", () => {
  test.each([
    ["power", [degree("add", 3, -1)], "C Eb G"],
    ["major", [degree("alter", 3, -1)], "C Eb G"],
    ["major-seventh", [degree("alter", 7, -1)], "C E G Bb"],
    ["major", [degree("subtract", 1), degree("add", 6, -1)], "C E G Ab"],
    ["major", [degree("add", 5)], "C E G"],
    ["dominant", [degree("add", 9, 1)], "C E G Bb D#"],
    ["dominant-13th", [degree("subtract", 13)], "C E G Bb D"],
    ["minor", [degree("add", 3)], "C E G D#"],
  ])("%s with %j has %s", (kind, degrees, notes) =>
    expect(notesOf(harmony(kind, degrees))?.split(" ").sort()).toEqual(notes.split(" ").sort()),
  );

  it("is readable for every kind with any degree", () => {
    const kinds = [
      "major",
      "minor",
      "dominant",
      "major-seventh",
      "other",
      "power",
      "suspended-fourth",
      "half-diminished",
      "dominant-13th",
    ];
    for (const kind of kinds)
      for (const type of ["add", "alter", "subtract"] as const)
        for (const value of [1, 2, 3, 4, 5, 6, 7, 9, 11, 13])
          for (const alter of [-1, 0, 1]) {
            const symbol = harmony(kind, [degree(type, value, alter)]);
            expect(notesOf(symbol), `${kind} ${type} ${value} ${alter}: ${symbol ?? ""}`).toBeDefined();
          }
  });
});
