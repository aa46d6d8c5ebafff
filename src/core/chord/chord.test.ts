import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printDegree, printName } from "../pitch";
import { USUAL_MODES } from "../scale";
import { chordNotes, diatonicChords, printChord, readSymbol } from ".";

function read(text: string): string {
  const reading = readSymbol(text);
  if ("unread" in reading) return `unread at ${reading.unread.offset}: ${reading.unread.expected}`;
  return reading.chord.tones.map((tone) => printDegree(tone)).join(" ");
}

function normal(text: string): string {
  const reading = readSymbol(text);
  return "chord" in reading ? printChord(reading.chord, "signs") : "unread";
}

describe("chord symbols", () => {
  test.each([
    ["", "unread at 0: root"],
    ["H7", "unread at 0: root"],
    ["madd9", "unread at 0: root"],
    ["Cqq", "unread at 1: quality"],
    ["C7xyz", "unread at 2: quality"],
    ["Em9/", "unread at 4: bass"],
    ["Em9/H", "unread at 4: bass"],
    ["C7#", "unread at 2: quality"],
  ])("%j is %s", (symbol, found) => expect(read(symbol)).toBe(found));

  test.each([
    ["c#-7b5", "C♯m7♭5"],
    ["DΔ", "Dmaj7"],
    ["Bbmaj7#11", "B♭maj7♯11"],
    ["F#o7", "F♯°7"],
    ["G13(b9)", "G13♭9"],
    ["A(add9)", "Aadd9"],
    ["Gmin11/C", "Gm11/C"],
    ["Ebsus", "E♭sus4"],
    ["C5", "C5"],
    ["Cm6/9", "Cm6/9"],
    ["C-Δ7", "Cm(maj7)"],
  ])("%s is written %s", (symbol, name) => expect(normal(symbol)).toBe(name));

  it("reads what it writes, for any chord of any mode", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...USUAL_MODES),
        fc.integer({ min: -8, max: 12 }),
        fc.nat(6),
        (each, home, at) => {
          const chords = diatonicChords({ home, mode: each })[at];
          for (const chord of [chords?.chords.triad, chords?.chords.seventh].filter(
            (one) => one !== undefined,
          )) {
            const back = readSymbol(printChord(chord));
            const tones = "chord" in back ? [...back.chord.tones].sort() : [];
            expect(tones).toEqual([...chord.tones].sort());
          }
        },
      ),
    );
  });

  it("never throws on any text", () => {
    fc.assert(fc.property(fc.string(), (text) => void readSymbol(text)));
  });

  it("spells the tones from the root", () => {
    const reading = readSymbol("G#m7b5");
    expect("chord" in reading && chordNotes(reading.chord).map((note) => printName(note))).toEqual([
      "G#",
      "B",
      "D",
      "F#",
    ]);
    const slash = readSymbol("C/F#");
    expect("chord" in slash && chordNotes(slash.chord).map((note) => printName(note))).toEqual([
      "C",
      "E",
      "G",
      "F#",
    ]);
  });
});
