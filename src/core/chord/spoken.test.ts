import { describe, expect, test } from "vitest";
import { fifthsOf, printName } from "../pitch";
import { readSymbol } from "./read";
import { spokenChord } from "./spoken";

describe("chords as players say them", () => {
  test.each([
    ["dominant seven", undefined, "7"],
    ["Dominant 7th chord", undefined, "7"],
    ["major seven", undefined, "maj7"],
    ["minor seventh", undefined, "m7"],
    ["half diminished", undefined, "m7b5"],
    ["half-diminished", undefined, "m7b5"],
    ["minor major seven", undefined, "m(maj7)"],
    ["diminished seventh", undefined, "dim7"],
    ["altered", undefined, "7alt"],
    ["minor chord", undefined, "m"],
    ["power chord", undefined, "5"],
    ["sus four", undefined, "sus4"],
    ["Bb dominant seven", "Bb", "7"],
    ["F# half diminished", "F#", "m7b5"],
    ["G# minor nine", "G#", "m9"],
  ])("%s", (text, root, suffix) => {
    const spoken = spokenChord(text);
    expect(spoken).toEqual({ root: root === undefined ? undefined : fifthsOf(root), suffix });
    expect(readSymbol(`${printName(spoken?.root ?? 0)}${suffix}`)).toHaveProperty("chord");
  });

  test.each([
    "dorian",
    "E",
    "C# locrian",
    "minor",
    "major",
    "1 b2 3",
    "Em9 A13",
    "orchard gate",
    "",
    "seven pears",
  ])("%s is none", (text) => expect(spokenChord(text)).toBeUndefined());
});
