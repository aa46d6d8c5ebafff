import { describe, expect, it, test } from "vitest";
import { fifthsOf, maybePitch, printPitch } from "@/core/pitch";
import { type HomeMode, mode } from "@/core/scale";
import { evenTune, type Written } from "@/core/tune";
import {
  altered,
  cursorBeside,
  letterPitch,
  octaved,
  quartersOf,
  soundPitch,
  stepped,
  strokeOf,
} from "./writing";

const pitch = (text: string) => maybePitch(text)!;
const key = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const after = (text: string): Written => {
  const tune = evenTune(text.split(" ").map(pitch), 1);
  return { tune, time: tune.notes.length };
};

describe("what the keys write", () => {
  test.each([
    ["G4", "a", key("E", "dorian"), "A4"],
    ["B4", "c", key("E", "dorian"), "C#5"],
    ["B4", "f", key("E", "dorian"), "F#4"],
    ["D5", "e", key("D#", "phrygian"), "E5"],
    ["C#5", "d", key("C#", "ionian"), "D#5"],
    ["Gb4", "c", key("Gb", "ionian"), "Cb5"],
    ["A4", "b", undefined, "B4"],
  ])(
    "after %s, %s writes the letter as the key has it, in the nearest octave",
    (before, letter, own, written) =>
      expect(printPitch(letterPitch(after(before), letter, own))).toBe(written),
  );

  test.each([
    [61, key("D", "ionian"), "C#4"],
    [61, key("Ab", "ionian"), "Db4"],
    [66, undefined, "F#4"],
    [70, key("D", "aeolian"), "Bb4"],
  ])("the sound %i has the name that the key gives it", (midi, own, written) =>
    expect(printPitch(soundPitch(midi, own))).toBe(written),
  );

  it("steps by letters of the key, over the octave too", () => {
    expect(printPitch(stepped(pitch("B4"), 1, key("E", "dorian")))).toBe("C#5");
    expect(printPitch(stepped(pitch("C4"), -1, key("F", "ionian")))).toBe("Bb3");
  });

  it("raises, lowers and moves by octaves within what is written", () => {
    expect(printPitch(altered(pitch("F#4"), 0))).toBe("F4");
    expect(printPitch(altered(pitch("B4"), -1))).toBe("Bb4");
    expect(printPitch(octaved(pitch("D4"), 1))).toBe("D5");
    expect(octaved(pitch("C8"), 1)).toEqual(pitch("C8"));
  });

  test.each([
    ["4", false, false, 1],
    ["4", true, false, 1.5],
    ["8", false, true, 1 / 3],
    ["6", false, false, 0.25],
    ["1", false, false, 4],
  ] as const)(
    "the value %s, dotted %s, in a triplet %s, lasts %d quarters",
    (value, isDotted, isTriplet, quarters) =>
      expect(quartersOf({ value, isDotted, isTriplet })).toBeCloseTo(quarters),
  );

  it("moves the cursor note by note, and no further than the ends", () => {
    const all = after("D4 E4 F4");
    expect(cursorBeside(all, -1)).toBe(2);
    expect(cursorBeside({ ...all, time: 1 }, 1)).toBe(2);
    expect(cursorBeside({ ...all, time: 0 }, -1)).toBe(-Infinity);
  });

  test.each(["h", "A", "5", "Enter", " ", "Tab", "Escape", "x"])("%j is no writing key", (pressed) =>
    expect(strokeOf(pressed)).toBeUndefined(),
  );
});
