import { describe, expect, it, test } from "vitest";
import { fifthsOf, halfSteps, printDegree, printName } from "../pitch";
import {
  CATALOGUE,
  characteristicOf,
  characteristicOn,
  characteristicSwap,
  distinguishing,
  FAMILIES,
  holds,
  maybeMode,
  mode,
  modesOfSize,
} from ".";

const degreesOf = (id: string) =>
  characteristicOf(mode(id))
    .map((interval) => printDegree(interval))
    .join(" ");

describe("the characteristic notes that a teacher names", () => {
  test.each([
    ["ionian", "4 7"],
    ["dorian", "6"],
    ["phrygian", "b2"],
    ["lydian", "#4"],
    ["mixolydian", "b7"],
    ["aeolian", "b6"],
    ["locrian", "b5"],
    ["melodic-minor", "6 7"],
    ["dorian-flat2", "b2 6"],
    ["lydian-augmented", "#4 #5"],
    ["lydian-dominant", "#4 b7"],
    ["mixolydian-flat6", "b6 b7"],
    ["locrian-natural2", "2 b5"],
    ["altered", "b4 b5"],
    ["harmonic-minor", "7"],
    ["locrian-natural6", "b5 6"],
    ["ionian-sharp5", "#5"],
    ["dorian-sharp4", "#4 6"],
    ["phrygian-dominant", "b2 3"],
    ["lydian-sharp2", "#2 #4"],
    ["ultralocrian", "b4 b5 bb7"],
    ["harmonic-major", "b6"],
    ["dorian-flat5", "b5 6"],
    ["phrygian-flat4", "b2 b4"],
    ["lydian-flat3", "b3 #4"],
    ["mixolydian-flat2", "b2 b7"],
    ["lydian-augmented-sharp2", "#2 #4 #5"],
    ["locrian-double-flat7", "b5 bb7"],
    ["double-harmonic", "b2 b6"],
    // By the rule: the nearest of the seven, and its own note where it is kept.
    ["neapolitan-minor", "b2 7"],
    ["major-locrian", "b5 b6 b7"],
    ["aeolian-sharp4", "#4"],
    ["ionian-sharp2", "#2"],
    // Fewer notes and more: what is added or altered, and nothing where notes are only missing.
    ["minor-pentatonic", ""],
    ["major-pentatonic", ""],
    ["blues-minor", "b5"],
    ["blues-major", "b3"],
    ["whole-tone", "#4 #5 b7"],
    ["bebop-dominant", "7"],
    ["bebop-dorian", "3"],
    ["bebop-major", "#5"],
  ])("of %s are %s", (id, expected) => expect(degreesOf(id)).toBe(expected));

  test.each([
    ["Gb", "phrygian", "Abb"],
    ["C#", "lydian", "F##"],
    ["D#", "dorian", "B#"],
    ["Cb", "mixolydian", "Bbb"],
    ["A#", "phrygian-dominant", "B C##"],
    ["Ab", "altered", "Dbb Ebb"],
  ])("on %s of %s are %s", (home, id, expected) =>
    expect(
      characteristicOn({ home: fifthsOf(home), mode: mode(id) })
        .map((note) => printName(note))
        .join(" "),
    ).toBe(expected),
  );

  it("are notes of the mode in order, never home, and there for every mode of seven notes", () => {
    for (const each of new Set([...CATALOGUE, ...modesOfSize(7)])) {
      const notes = characteristicOf(each);
      expect(each.intervals.filter((interval) => notes.includes(interval))).toEqual(notes);
      expect(notes).not.toContain(0);
      if (each.intervals.length === 7) expect(notes.length).toBeGreaterThan(0);
    }
  });

  it("can be swapped, in every mode of the usual families", () => {
    for (const { modes } of FAMILIES.filter(({ id }) =>
      ["major", "melodic-minor", "harmonic-minor"].includes(id),
    ))
      for (const each of modes) {
        const swap = characteristicSwap(each);
        expect(swap && characteristicOf(each).includes(swap.from)).toBe(true);
        expect(swap && holds(each.sounds, halfSteps(swap.to))).toBe(false);
      }
  });

  it("are not what distinguishes: Phrygian has ♭2 with Locrian, and is told from it by the 5", () => {
    expect(distinguishing(mode("phrygian"))[0]?.map((interval) => printDegree(interval))).toEqual([
      "b2",
      "5",
    ]);
    expect(holds(maybeMode("locrian")?.sounds ?? 0, 1)).toBe(true);
  });
});
