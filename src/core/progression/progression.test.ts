import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { fifthsOf, printDegree, printName } from "../pitch";
import { type Chord, readChart, readSymbol } from "../chord";
import { type HomeMode, mode, USUAL_MODES } from "../scale";
import {
  chordBefore,
  type ChartAnalysis,
  decisions,
  fitOf,
  modesForChord,
  oneModeAnalyses,
  outsideOf,
  targetNotes,
  whatDecides,
} from ".";

const SCENE = "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |";

const chord = (symbol: string): Chord => {
  const analysis = readSymbol(symbol);
  if ("unread" in analysis) throw new Error(symbol);
  return analysis.chord;
};
const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const name = ({ home, mode: { id } }: HomeMode) => `${printName(home)} ${id}`;
const whole = ({ segments: [only] }: ChartAnalysis) => only && name(only.homeMode);
const names = (notes: readonly number[]) => notes.map((note) => printName(note)).join(" ");

describe("how a chord sits in a mode", () => {
  it("names avoid notes, characteristic notes and the other scale notes", () => {
    const fit = fitOf(chord("A13"), at("E", "dorian"));
    expect([
      names(fit.outside),
      names(fit.avoidNotes),
      names(fit.characteristic),
      names(fit.otherNotes),
    ]).toEqual(["", "D", "C#", ""]);
  });

  it("names what lies outside", () => {
    expect(names(fitOf(chord("Cmaj7"), at("E", "dorian")).outside)).toBe("C");
    expect(names(fitOf(chord("C/F#"), at("C", "ionian")).outside)).toBe("F#");
  });

  it("finds the modes that hold a chord on its root", () => {
    expect(modesForChord(chord("A13"), USUAL_MODES).map(({ homeMode }) => name(homeMode))).toEqual([
      "A mixolydian",
      "A lydian-dominant",
    ]);
    expect(modesForChord(chord("Bm7b5")).map(({ homeMode }) => homeMode.mode.id)).toContain("locrian");
  });

  test.each([
    ["Dm7 G7 Cmaj7", 1, "B G"],
    ["Dm7 G7 Cmaj7", 2, "E C"],
    ["Dm7 G7 Cmaj7", 0, "F A D"],
    ["| Em9 | A13 | Em9 |", 1, "C# A"],
    ["| Em9 | % | A13 | % |", 3, "C# A"],
    ["|: Em9 | A13 :|", 0, "D"],
    ["C C C", 1, ""],
    ["Am7 C", 1, ""],
    ["zzz", 0, ""],
    ["G#m7 C#7 F#maj7", 1, "E# C#"],
  ])("the target notes of %s at %i are %s", (line, place, expected) =>
    expect(names(targetNotes(readChart(line).value, place))).toBe(expected),
  );

  it("puts the characteristic note behind the third", () => {
    const read = readChart("Dm G13").value;
    expect(names(targetNotes(read, 1))).toBe("B E G");
    expect(names(targetNotes(readChart("Em7 A7").value, 1, at("E", "dorian")))).toBe("C# A");
    expect(names(targetNotes(readChart("Am F6").value, 1, at("A", "phrygian")))).toBe("D F");
  });

  it("comes from the chord before as it is played, past its own repetitions, and round from the last", () => {
    const read = readChart("|: Em9 | A13 |1. D6 :|2. Cmaj7 |").value;
    expect([0, 1, 2, 3].map((place) => chordBefore(read, place))).toEqual([3, 0, 1, 1]);
    expect(chordBefore(readChart("| Em9 | Em9 | A13 |").value, 1)).toBe(2);
    expect(chordBefore(readChart("| Em9 | % |").value, 1)).toBeUndefined();
  });
});

describe("one mode for a chart", () => {
  test.each([
    [SCENE, "E dorian"],
    ["Dm7 G7 Cmaj7", "C ionian"],
    ["| D7 | C | G | D |", "D mixolydian"],
    ["Em F", "E phrygian"],
    ["Am7 D7", "A dorian"],
    ["Fmaj7 G/F", "F lydian"],
    ["Am G F E", "A aeolian"],
    ["G#m C#", "G# dorian"],
    ["Gb Ab", "Gb lydian"],
    ["D#m7 G#7", "D# dorian"],
  ])("%s is %s", (line, expected) => {
    const [first] = oneModeAnalyses(readChart(line).value);
    expect(first && whole(first)).toBe(expected);
  });

  it("says what lies outside, over which chord", () => {
    const [first] = oneModeAnalyses(readChart(SCENE).value);
    expect(first && outsideOf(first).map(({ at: place, note }) => `${printName(note)} ${place}`)).toEqual([
      "C 4",
    ]);
  });

  it("keeps a home set by hand and its spelling", () => {
    const analyses = oneModeAnalyses(readChart("Em F").value, { home: fifthsOf("Fb") });
    expect(analyses.every(({ segments: [only] }) => only?.homeMode.home === fifthsOf("Fb"))).toBe(true);
  });

  it("leaves no less outside than any other home and mode would", () => {
    const symbols = fc.constantFrom("C", "Dm7", "E7", "F#m7b5", "Gmaj7", "Ab", "Bb7", "B°7", "C#m");
    fc.assert(
      fc.property(fc.array(symbols, { minLength: 1, maxLength: 6 }), (line) => {
        const chart = readChart(line.join(" ")).value;
        const costs = oneModeAnalyses(chart, { most: 400 }).map(({ cost }) => cost);
        expect(costs).toEqual([...costs].sort((a, b) => a - b));
      }),
    );
  });

  it("reads round a chord that nobody can read, and has no answer for none", () => {
    const [first] = oneModeAnalyses(readChart("| Em9 | Zzz | A13 |").value);
    expect(first && whole(first)).toBe("E dorian");
    expect(oneModeAnalyses(readChart("| Zzz |").value)).toEqual([]);
  });
});

describe("what decides", () => {
  const chart = readChart(SCENE).value;
  const { chords } = chart;

  it("is the third of A13 between E Dorian and E Aeolian", () => {
    const decision = whatDecides([at("E", "dorian"), at("E", "aeolian")], chords);
    expect(decision.by).toBe("notes");
    expect(decision.first.map((each) => [each.at, printName(each.note), printDegree(each.role)])).toEqual([
      [1, "C#", "3"],
      [3, "C#", "3"],
    ]);
    expect(decision.second.map((each) => [each.at, printName(each.note)])).toEqual([[4, "C"]]);
  });

  it("is only the home between modes with the same notes", () => {
    expect(whatDecides([at("E", "dorian"), at("D", "ionian")], chords).by).toBe("home");
  });

  it("is open where no chord holds a note that differs, and says which would", () => {
    const decision = whatDecides(
      [at("A", "dorian"), at("A", "dorian-flat2")],
      readChart("Am7 D7").value.chords,
    );
    expect([decision.by, names(decision.differ[0]), names(decision.differ[1])]).toEqual(["open", "B", "Bb"]);
  });

  test.each([
    ["Am7 D7", "A", "dorian", "A aeolian", "F#"],
    ["C D", "C", "lydian", "C ionian", "F#"],
    ["C Bb", "C", "mixolydian", "C ionian", "Bb"],
    ["Em F", "E", "phrygian", "E aeolian", "F"],
    ["Am F", "A", "aeolian", "A dorian", "F"],
    ["E F", "E", "phrygian-dominant", "E mixolydian", "F"],
    ["G#m7 C#7", "G#", "dorian", "G# aeolian", "E#"],
  ])("of %s is %s %s and not %s by %s", (line, home, id, rival, note) => {
    const read = readChart(line).value;
    const [first] = decisions({ from: 0, to: 1, homeMode: at(home, id), outside: [] }, read.chords);
    expect(first && name(first.between[1])).toBe(rival);
    expect(first && names(first.first.map((holder) => holder.note)).split(" ")[0]).toBe(note);
  });

  it("tells the leader from rivals on its home first", () => {
    const found = decisions({ from: 0, to: 7, homeMode: at("E", "dorian"), outside: [] }, chords);
    expect(found.map(({ between }) => name(between[1]))).toEqual(["E aeolian", "D ionian"]);
  });
});
