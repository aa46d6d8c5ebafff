import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { printDegree, printName } from "../pitch";
import { USUAL_MODES } from "../scale";
import { chordNotes, diatonicChords, MOST_CHORDS, printChord, readChart, readSymbol } from ".";

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
    ["C", "1 3 5"],
    ["Cmaj", "1 3 5"],
    ["CM", "1 3 5"],
    ["Cm", "1 b3 5"],
    ["C-", "1 b3 5"],
    ["Cmin", "1 b3 5"],
    ["dm", "1 b3 5"],
    ["Cdim", "1 b3 b5"],
    ["C°", "1 b3 b5"],
    ["Co7", "1 b3 b5 bb7"],
    ["Cdim7", "1 b3 b5 bb7"],
    ["Cø", "1 b3 b5 b7"],
    ["Cm7b5", "1 b3 b5 b7"],
    ["Cm7-5", "1 b3 b5 b7"],
    ["C+", "1 3 #5"],
    ["Caug", "1 3 #5"],
    ["C5", "1 5"],
    ["C6", "1 3 5 6"],
    ["Cm6", "1 b3 5 6"],
    ["C6/9", "1 3 5 2 6"],
    ["C69", "1 3 5 2 6"],
    ["C7", "1 3 5 b7"],
    ["Cmaj7", "1 3 5 7"],
    ["CM7", "1 3 5 7"],
    ["Cma7", "1 3 5 7"],
    ["CΔ", "1 3 5 7"],
    ["CΔ7", "1 3 5 7"],
    ["Cm7", "1 b3 5 b7"],
    ["C-7", "1 b3 5 b7"],
    ["Cm(maj7)", "1 b3 5 7"],
    ["CmM7", "1 b3 5 7"],
    ["C-Δ7", "1 b3 5 7"],
    ["C9", "1 3 5 b7 2"],
    ["Em9", "1 b3 5 b7 2"],
    ["Cmaj9", "1 3 5 7 2"],
    ["Cm11", "1 b3 5 b7 2 4"],
    ["C13", "1 3 5 b7 2 6"],
    ["Cm13", "1 b3 5 b7 2 6"],
    ["Cmaj7#11", "1 3 5 7 #4"],
    ["Cmaj13♯11", "1 3 5 7 2 #4 6"],
    ["C7b9", "1 3 5 b7 b2"],
    ["C7(b9,#11)", "1 3 5 b7 b2 #4"],
    ["C7#9b13", "1 3 5 b7 #2 b6"],
    ["C7+9", "1 3 5 b7 #2"],
    ["C+7", "1 3 #5 b7"],
    ["C7♯5", "1 3 #5 b7"],
    ["C7alt", "1 3 b7 b2 #2 b6"],
    ["Csus", "1 5 4"],
    ["Csus2", "1 5 2"],
    ["C7sus4", "1 5 b7 4"],
    ["C9sus4", "1 5 b7 2 4"],
    ["C13sus4", "1 5 b7 2 4 6"],
    ["Cadd9", "1 3 5 2"],
    ["C(add9)", "1 3 5 2"],
    ["Cmadd9", "1 b3 5 2"],
    ["C2", "1 3 5 2"],
    ["C7no5", "1 3 b7"],
    ["C7omit3", "1 5 b7"],
    ["Am7/G", "1 b3 5 b7"],
  ])("%s holds %s", (symbol, tones) => expect(read(symbol)).toBe(tones));

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
    fc.assert(fc.property(fc.string(), (text) => void readChart(text)));
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

describe("a line of chords", () => {
  const bars = (text: string) =>
    readChart(text).value.map(({ symbol, bar, length }) => `${bar} ${symbol} ${length}`);

  it("takes bars apart at bar lines", () => {
    expect(bars("| Em9 | A13 D7 |")).toEqual(["1 Em9 1", "2 A13 0.5", "2 D7 0.5"]);
    expect(bars("||: Em9 | A13 :||")).toEqual(["1 Em9 1", "2 A13 1"]);
    expect(bars("Em9|A13|]")).toEqual(["1 Em9 1", "2 A13 1"]);
  });

  it("makes every chord a bar where there are no bar lines", () => {
    expect(bars("Dm7 G7 Cmaj7")).toEqual(["1 Dm7 1", "2 G7 1", "3 Cmaj7 1"]);
  });

  it("repeats bars and beats, and knows silence", () => {
    expect(bars("| Em9 | % | N.C. |")).toEqual(["1 Em9 1", "2 Em9 1", "3 N.C. 1"]);
    expect(bars("| Em9 / / A7 |")).toEqual(["1 Em9 0.75", "1 A7 0.25"]);
  });

  it("keeps a spelled-out parenthesis with its chord", () => {
    expect(bars("| C7(b9, #11) | Fm(maj7) |")).toEqual(["1 C7(b9, #11) 1", "2 Fm(maj7) 1"]);
  });

  it("keeps the place of what it cannot read, and says where it stands", () => {
    const { value, problems } = readChart("| Em9 | Aqq | D6 |");
    expect(value.map(({ symbol, chord }) => [symbol, chord !== undefined])).toEqual([
      ["Em9", true],
      ["Aqq", false],
      ["D6", true],
    ]);
    expect(problems).toEqual([
      { code: "chord-unread", offset: 9, length: 2, found: "qq", expected: "quality" },
    ]);
  });

  it("says when there is nothing to repeat and when it is too long", () => {
    expect(readChart("| % | C |").problems[0]?.code).toBe("repeat-of-nothing");
    const long = readChart("C ".repeat(MOST_CHORDS + 5));
    expect([long.value.length, long.problems[0]?.code]).toEqual([MOST_CHORDS, "too-long"]);
    expect(readChart("").value).toEqual([]);
  });
});
