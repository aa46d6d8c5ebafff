import { describe, expect, it, test } from "vitest";
import { printName } from "../pitch";
import { readChart } from "../chord";
import { CATALOGUE, type HomeMode, mode } from "../scale";
import {
  type ChartAnalysis,
  decisions,
  guideLines,
  outsideOf,
  simpleScale,
  ANALYSIS_KINDS,
  analyses,
  changesOf,
} from ".";

const SCENE = "| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | Em9 | B7sus4 |";

const name = ({ home, mode: { id } }: HomeMode) => `${printName(home)} ${id}`;
const names = (notes: readonly number[]) => notes.map((note) => printName(note)).join(" ");
const chart = (text: string) => readChart(text).value;
const said = (analysis: ChartAnalysis | undefined) =>
  analysis?.segments.map(({ from, to, homeMode }) => `${from}-${to} ${name(homeMode)}`).join(", ");
const fewest = (text: string) => said(analyses(chart(text))["fewest-changes"][0]);
describe("the fewest changes", () => {
  test.each([
    ["Dm7 G7 Cmaj7", "0-2 C ionian"],
    [SCENE, "0-3 E dorian, 4-7 E aeolian"],
    ["| Am7 | D7 | Am7 | D7 |", "0-3 A dorian"],
    ["| Em | F | Em | F |", "0-3 E phrygian"],
    ["| Fmaj7 | G/F | Fmaj7 | G/F |", "0-3 F lydian"],
    ["| D | C | G | D |", "0-3 D mixolydian"],
    ["| G#m7 | C#7 | G#m7 | C#7 |", "0-3 G# dorian"],
    ["| Gbmaj7 | Ab7 | Gbmaj7 | Ab7 |", "0-3 Gb lydian"],
    // Two-five-ones in two keys.
    ["| Dm7 | G7 | Cmaj7 | Cmaj7 | Fm7 | Bb7 | Ebmaj7 | Ebmaj7 |", "0-3 C ionian, 4-7 Eb ionian"],
    ["| Abm7 | Db7 | Gbmaj7 | Gbmaj7 | Bm7 | E7 | Amaj7 | Amaj7 |", "0-3 Gb ionian, 4-7 A ionian"],
    // One chord moved up a half step and back.
    [
      "| Dm7 | % | % | % | Ebm7 | % | % | % | Dm7 | % | % | % |",
      "0-3 D dorian, 4-7 Eb dorian, 8-11 D dorian",
    ],
    // A minor two-five is one mode, and so is the raised seventh's chord when it stays.
    ["| Bm7b5 | E7 | Am | Am |", "0-3 A harmonic-minor"],
    // One foreign bar is a note outside rather than two changes.
    ["| C | E7 | Am | F | C | G | C | C |", "0-7 C ionian"],
    ["| C | N.C. | qqq | G | C |", "0-4 C ionian"],
    ["| N.C. | Em9 | A13 |", "0-2 E dorian"],
  ])("of %s are %s", (text, expected) => expect(fewest(text)).toBe(expected));

  it("say which note changes at each change", () => {
    const [first] = analyses(chart(SCENE))["fewest-changes"];
    expect(
      first && changesOf(first).map(({ at: place, leaves, takes }) => [place, names(leaves), names(takes)]),
    ).toEqual([[4, "C#", "C"]]);
  });

  it("differ in their modes, the cheapest first, and never in where they change alone", () => {
    const found = analyses(chart(SCENE))["fewest-changes"];
    expect(found).toHaveLength(5);
    expect(
      new Set(found.map(({ segments }) => segments.map(({ homeMode }) => name(homeMode)).join())).size,
    ).toBe(5);
    const costs = found.map(({ cost }) => cost);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  it("take scales from the chosen families only", () => {
    const major = analyses(chart("| Am | E7 | E7 | Am |"), { scales: CATALOGUE.slice(0, 7) });
    const modes = major["fewest-changes"].flatMap(({ segments }) =>
      segments.map(({ homeMode }) => homeMode.mode.family),
    );
    expect(new Set(modes)).toEqual(new Set(["major"]));
    const whole = analyses(chart("| C7#5 | C9#5 |"), {
      scales: CATALOGUE.filter(({ family }) => family === "whole-tone"),
    });
    expect(said(whole["fewest-changes"][0])).toBe("0-1 C whole-tone");
  });
});

describe("what is set by hand", () => {
  it("keeps its home or mode, and the rest adapts", () => {
    expect(fewest("| {E aeolian} Em9 | {} A13 | Em9 | A13 |")).toBe("0-0 E aeolian, 1-3 E dorian");
    expect(fewest("| {A} Em9 | A13 | Em9 | A13 |")).toBe("0-3 A mixolydian");
    expect(fewest("| {phrygian} Em | F | Em |")).toBe("0-2 E phrygian");
    expect(fewest("| {Fb} Em9 | A13 |")).toBe("0-1 Fb dorian");
    const byChord = analyses(chart("| {D} Em9 | A13 |"))["chord-by-chord"][0];
    expect(said(byChord)).toBe("0-1 D ionian");
  });

  it("may be a scale that was not chosen, and is taken nowhere else", () => {
    const found = analyses(chart("| {C whole-tone} C7 | {} C+ | C7 |"))["fewest-changes"][0];
    expect(found?.segments.map(({ homeMode }) => homeMode.mode.id)[0]).toBe("whole-tone");
    expect(found?.segments.slice(1).every(({ homeMode }) => homeMode.mode.id !== "whole-tone")).toBe(true);
  });

  it("leaves the one mode for the rest", () => {
    const found = analyses(chart("| Em9 | A13 | {C lydian} Cmaj7 | {} Em9 |"))["one-mode"][0];
    expect(said(found)).toBe("0-1 E dorian, 2-2 C lydian, 3-3 E dorian");
    expect(found && outsideOf(found)).toEqual([]);
    expect(said(analyses(chart("| {E} Cmaj7 | D |"))["one-mode"][0])).toBe("0-1 E aeolian");
  });

  it("counts repeats in", () => {
    const one = (text: string) => said(analyses(chart(text))["one-mode"][0]);
    expect(one("| Em9 | A13 | Am7 | Cmaj7 | Em |")).toBe("0-4 E aeolian");
    expect(one("|: Em9 | A13 :| x4 | Am7 | Cmaj7 | Em |")).toBe("0-4 E dorian");
  });
});

describe("nothing to read", () => {
  it("has no analyses", () => {
    for (const text of ["", "| qqq |", "| N.C. |"])
      for (const kind of ANALYSIS_KINDS) expect(analyses(chart(text))[kind]).toEqual([]);
  });

  it("has an analysis even where nothing holds a chord", () => {
    expect(
      analyses(chart("| C7#9#5b9 | C |"), { scales: [mode("minor-pentatonic")] })["chord-by-chord"],
    ).toHaveLength(1);
  });
});

describe("what decides in a segment", () => {
  it("looks at the chords of that segment alone", () => {
    const scene = chart(SCENE);
    const [first] = analyses(scene)["fewest-changes"];
    const [dorian, aeolian] = first!.segments;
    const [here] = decisions(dorian!, scene.chords);
    expect([here?.by, name(here!.between[1]), here?.first.map(({ at: place }) => place)]).toEqual([
      "notes",
      "E aeolian",
      [1, 3],
    ]);
    expect(decisions(aeolian!, scene.chords)[0]?.first.map(({ at: place }) => place)).toEqual([4]);
  });
});

describe("guide tones", () => {
  const lines = (text: string) =>
    guideLines(chart(text).chords.map(({ chord }) => chord)).map((pair) =>
      pair?.map(({ note, move }) => `${printName(note)}${move === undefined ? "" : ` ${move}`}`).join(", "),
    );

  test.each([
    ["Dm7 G7 Cmaj7", ["F, C", "F 0, B -1", "E -1, B 0"]],
    ["G#m7 C#7 F#maj7", ["B, F#", "B 0, E# -1", "A# -1, E# 0"]],
    ["Ebm9 Ab13", ["Gb, Db", "Gb 0, C -1"]],
    ["Em9 qqq A13", ["G, D", undefined, "G 0, C# -1"]],
    ["Gsus4 C", ["C, G", "C 0, E -3"]],
  ])("of %s move as little as they can", (text, expected) => expect(lines(text)).toEqual(expected));
});

describe("two chords back and forth", () => {
  test.each(["C F# C F#", "C Gb C Gb C Gb", "Eb A Eb A", "Dm7 Ebm7 Dm7 Ebm7", "C Abm C Abm"])(
    "are read alike wherever they stand: %s",
    (text) => {
      const [best] = analyses(chart(text))["fewest-changes"];
      const places = chart(text).chords.map((_, place) =>
        best!.segments.find(({ from, to }) => place >= from && place <= to)!,
      );
      for (const [place, { homeMode }] of places.entries())
        if (place > 1) expect(name(homeMode)).toBe(name(places[place - 2]!.homeMode));
    },
  );
});

describe("the simple scale", () => {
  const plain = (text: string, place: number) => {
    const read = chart(text);
    const [first] = analyses(read)["fewest-changes"];
    const way = first && simpleScale(first, read, place);
    return way && `${name(way.scale)} ${way.from}-${way.to}, add ${names(way.add)}`;
  };

  test.each([
    [SCENE, 1, "E minor-pentatonic 0-7, add C# F#"],
    [SCENE, 4, "E minor-pentatonic 0-7, add C F#"],
    ["| Gb | Cb | Db7 | Gb |", 0, "Gb major-pentatonic 0-3, add Cb F"],
    ["| Dm7 | % | Ebm7 | % |", 3, "Eb minor-pentatonic 2-3, add F C"],
    ["A7 D7 A7 A7 D7 D7 A7 A7 E7 D7 A7 E7", 1, "A minor-pentatonic 0-11, add F# B C#"],
    ["| Em7 A7 | Dm7 G7 |", 0, "C major-pentatonic 0-3, add B F"],
    ["Bm7b5 Em/B Bm7b5 Cmaj7/B", 0, undefined],
    ["| qqq |", 0, undefined],
  ])("of %s at %i is %s", (text, place, expected) => expect(plain(text, place)).toBe(expected));
});
