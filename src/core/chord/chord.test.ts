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
