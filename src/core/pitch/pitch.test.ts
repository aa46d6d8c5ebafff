import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import {
  degreeNumber,
  degreeOf,
  fifthsOf,
  maybeDegree,
  maybeFifths,
  maybePitch,
  midiOf,
  pitchAt,
  printDegree,
  printName,
  printPitch,
  soundOf,
  spellSound,
} from ".";

describe("names on the line of fifths", () => {
  test.each([
    ["F", -1, 5],
    ["C", 0, 0],
    ["B", 5, 11],
    ["F#", 6, 6],
    ["E#", 11, 5],
    ["B#", 12, 0],
    ["Bb", -2, 10],
    ["Eb", -3, 3],
    ["Fb", -8, 4],
    ["Bbb", -9, 9],
    ["F##", 13, 7],
  ])("%s stands at %i and sounds %i", (name, fifths, sound) => {
    expect(fifthsOf(name)).toBe(fifths);
    expect(printName(fifths)).toBe(name);
    expect(soundOf(fifths)).toBe(sound);
  });

  test.each([
    ["F♯", 6],
    ["g♭", -6],
    ["F𝄪", 13],
    ["Fx", 13],
    ["B𝄫", -9],
    ["C♮", 0],
  ])("%s is read as well", (text, fifths) => expect(maybeFifths(text)).toBe(fifths));

  test.each(["", "H", "Cis", "C#4", "♯", "do", "CC", "C #"])("%j is no name", (text) => {
    expect(maybeFifths(text)).toBeUndefined();
  });

  it("says what is wrong with a name that is none", () => {
    expect(() => fifthsOf("H")).toThrow("“H” is no note name");
  });

  it("prints and reads back, in either form", () => {
    fc.assert(
      fc.property(fc.integer({ min: -22, max: 26 }), (fifths) => {
        expect(maybeFifths(printName(fifths))).toBe(fifths);
        expect(maybeFifths(printName(fifths, "signs"))).toBe(fifths);
      }),
    );
  });

  it("spells a sound with the fewest accidentals, leaning towards the side asked for", () => {
    expect([0, 1, 6, 10].map((sound) => printName(spellSound(sound)))).toEqual(["C", "Db", "F#", "Bb"]);
    expect(printName(spellSound(1, 8))).toBe("C#");
    expect(printName(spellSound(6, -5))).toBe("Gb");
  });
});

describe("intervals from home", () => {
  test.each([
    ["1", 0],
    ["5", 1],
    ["2", 2],
    ["6", 3],
    ["3", 4],
    ["7", 5],
    ["#4", 6],
    ["4", -1],
    ["b7", -2],
    ["b3", -3],
    ["b6", -4],
    ["b2", -5],
    ["b5", -6],
    ["bb7", -9],
    ["#5", 8],
  ])("degree %s is %i fifths", (degree, interval) => {
    expect(printDegree(interval)).toBe(degree);
    expect(degreeOf(degree)).toBe(interval);
  });

  it("reduces compound degrees", () => {
    expect(["9", "b9", "11", "#11", "b13", "13"].map(degreeOf)).toEqual([2, -5, -1, 6, -4, 3]);
    expect(maybeDegree("16")).toBeUndefined();
    expect(maybeDegree("0")).toBeUndefined();
  });

  it("keeps the number when a degree is altered", () => {
    fc.assert(
      fc.property(fc.integer({ min: -15, max: 15 }), (interval) => {
        expect(degreeNumber(interval + 7)).toBe(degreeNumber(interval));
        expect(degreeOf(printDegree(interval))).toBe(interval);
      }),
    );
  });
});

describe("pitches", () => {
  test.each([
    ["C4", 60],
    ["B#3", 60],
    ["Cb4", 59],
    ["A4", 69],
    ["E2", 40],
    ["Bbb4", 69],
    ["F##3", 55],
    ["C-1", 0],
  ])("%s is MIDI %i", (text, midi) => {
    const pitch = maybePitch(text);
    expect(pitch && midiOf(pitch)).toBe(midi);
    expect(pitch && printPitch(pitch)).toBe(text);
  });

  it("finds the octave of a name at a sounding height", () => {
    fc.assert(
      fc.property(fc.integer({ min: 12, max: 115 }), fc.integer({ min: -15, max: 19 }), (midi, name) => {
        fc.pre(soundOf(name) === midi % 12);
        expect(midiOf(pitchAt(midi, name))).toBe(midi);
      }),
    );
  });
});
