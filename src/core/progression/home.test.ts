import { describe, expect, it, test } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { readChart } from "../chord";
import { mode } from "../scale";
import { behaviour, chartHomes, type ChartAnalysis, heardAs, openBetween, analyses, chordContexts } from ".";
import { kindOf, rowFor } from "./home-rows";
import { soundingChords } from "./sounding";

const chart = (text: string) => readChart(text).value;
const heard = (text: string) => chart(text).chords.flatMap(({ chord }) => (chord ? [heardAs(chord)] : []));
const homesOf = (analysis: ChartAnalysis | undefined) => [
  ...new Set(analysis?.segments.map(({ homeMode }) => printName(homeMode.home))),
];
const modesOf = (analysis: ChartAnalysis | undefined) =>
  analysis?.segments.map(({ homeMode }) => `${printName(homeMode.home)} ${homeMode.mode.id}`);

describe("the home of a chart", () => {
  /** By one mode and by the fewest changes alike: home, and the mode where nothing in the chart leaves it. */
  test.each([
    ["C F C F C", "C", "ionian"],
    ["Cmaj7 F Cmaj7 F Cmaj7", "C", "ionian"],
    ["Cmaj7 Fmaj7 Cmaj7 Fmaj7 Cmaj7", "C", "ionian"],
    ["C F Fm C", "C", "ionian"],
    ["D A Bm F#m G D G A", "D", "ionian"],
    ["Am G F G", "A", "aeolian"],
    ["Am7 Dm7 G7sus4 G", "A", "aeolian"],
    ["| Bbmaj7 G7 | Cm7 F7 | Dm7 G7 | Cm7 F7 |", "Bb", "ionian"],
    ["| Dm7 G7 | Em7 A7 | Dm7 G7 | Cmaj7 |", "C", "ionian"],
    ["Em7 A7 Dm7 G7", "C", "ionian"],
    ["| Em7 A7 | Dm7 G7 |", "C", "ionian"],
    ["G7 F G7 F", "G", "mixolydian"],
    ["D C G G", "D", "mixolydian"],
    ["B C#", "B", "lydian"],
    ["Am E7 Am", "A", "harmonic-minor"],
    ["Am E7 Am E7", "A", "harmonic-minor"],
    ["A7 D7 A7 A7 D7 D7 A7 A7 E7 D7 A7 E7", "A", "mixolydian"],
    [
      "| F7 | Bb7 | F7 | Cm7 F7 | Bb7 | Bdim7 | F7 | Am7b5 D7 | Gm7 | C7 | F7 D7 | Gm7 C7 |",
      "F",
      "mixolydian",
    ],
    // The same on odd homes.
    ["C# F# C# F# C#", "C#", "ionian"],
    ["D#m C# B C#", "D#", "aeolian"],
    ["Gb Fb Cb Cb", "Gb", "mixolydian"],
    ["A#m E#7 A#m", "A#", "harmonic-minor"],
  ])("of %s is %s, %s", (text, home, id) => {
    const found = analyses(chart(text));
    expect(modesOf(found["one-mode"][0])).toEqual([`${home} ${id}`]);
    expect(modesOf(found["fewest-changes"][0])).toEqual([`${home} ${id}`]);
  });

  test.each([
    ["C Ab Bb C", "C"],
    ["Bbmaj7/A Fmaj7/A Gmaj7/A Cmaj7/A", "A"],
    ["Eb Cb Db Eb", "Eb"],
  ])("of %s is %s throughout, in whatever modes", (text, home) => {
    const found = analyses(chart(text));
    expect([homesOf(found["one-mode"][0]), homesOf(found["fewest-changes"][0])]).toEqual([[home], [home]]);
  });

  it("takes what is borrowed from its own minor", () => {
    const found = modesOf(analyses(chart("C Ab Bb C"))["fewest-changes"][0]);
    expect(found?.[0]).toBe("C ionian");
    expect(found).toContain("C aeolian");
  });

  it("goes along with each home of a cycle of thirds, and comes home after it", () => {
    const cycle = analyses(chart("| Bmaj7 D7 | Gmaj7 Bb7 | Ebmaj7 F#7 | Bmaj7 | Cmaj7 | Dm7 | G7 | Cmaj7 |"));
    expect(modesOf(cycle["fewest-changes"][0])).toEqual([
      "B ionian",
      "G ionian",
      "Eb ionian",
      "B ionian",
      "C ionian",
    ]);
  });

  it("is a root that is never heard only where a line goes round into it", () => {
    const last = (text: string) => analyses(chart(text))["one-mode"][0]?.segments[0]?.homeMode.home;
    expect(printName(last("| Em7 A7 | Dm7 G7 |") ?? 0)).toBe("C");
    expect(printName(last("Dm7 G7 Dm7 G7") ?? 0)).toBe("D");
  });
});

describe("what the whole chart says of a home", () => {
  const codes = (text: string, home: string) =>
    chartHomes(soundingChords(chart(text)))[soundOf(fifthsOf(home))]?.evidence.map(({ code }) => code);

  test.each([
    ["Dm7 G7 Cmaj7", "C", ["cadence", "last-chord", "length"]],
    ["Dm7 G7 Cmaj7", "D", ["first-chord", "length"]],
    ["Dm G Dm G", "D", ["first-chord", "return", "length"]],
    ["Em7 A7 Dm7 G7", "C", ["two-five-round"]],
    ["C F/C G/C C", "C", ["first-chord", "return", "last-chord", "length", "pedal"]],
    ["C Am F G", "C", ["first-chord", "turnaround", "length"]],
    ["C D Em", "E", ["cadence", "last-chord", "length"]],
    ["C F", "Ab", ["never-heard"]],
  ])("%s of %s: %j", (text, home, expected) => expect(codes(text, home)).toEqual(expected));
});

describe("a chord in a home", () => {
  const known = (text: string, at: number, id: string) => {
    const turning = chordContexts(heard(text))[at];
    return turning && behaviour(turning, 0, rowFor(mode(id))).known;
  };

  test.each([
    ["C Fm C", 1, "ionian", "core"],
    ["C E7 Am", 1, "ionian", "all"],
    ["C E7 F", 1, "ionian", "none"],
    ["C Db7 C", 1, "ionian", "all"],
    ["C C#dim7 Dm", 1, "ionian", "all"],
    ["C Em7b5 A7 Dm", 1, "ionian", "all"],
    ["C Fm7 Bb7 C", 2, "ionian", "all"],
    ["Cm F#m Cm", 1, "aeolian", "none"],
    ["C Cm", 1, "ionian", "none"],
  ])("%s: chord %i in C %s is known: %s", (text, at, id, expected) =>
    expect(known(text, at, id)).toBe(expected),
  );

  it("is likelier where it is arrived at by a dominant", () => {
    const cost = (text: string) => {
      const last = chordContexts(heard(text)).at(-1);
      return last ? behaviour(last, 0, rowFor(mode("ionian"))).cost : NaN;
    };
    expect(cost("Dm7 G7 C")).toBeLessThan(cost("Dm7 Em7 C"));
    expect(cost("Dm7 Db7 C")).toBeLessThan(cost("Dm7 Eb7 C"));
  });

  test.each([
    ["C", "M"],
    ["Am9", "m"],
    ["G13", "7"],
    ["Bm7b5", "d"],
    ["Bdim7", "o"],
    ["C+", "+"],
    ["Gsus4", "s"],
    ["E7#9", "7"],
  ])("%s is of kind %s", (symbol, kind) => {
    const [place] = chart(symbol).chords;
    expect(place?.chord && kindOf(place.chord)).toBe(kind);
  });

  test.each([
    ["F/G", "7 s"],
    ["Cmaj7/A", "9 m"],
    ["C/E", "0 M"],
    ["G/F", "5 s"],
  ])("%s is heard as %s", (symbol, expected) => {
    const [one] = heard(symbol);
    expect(`${one!.root} ${one!.kind}`).toBe(expected);
  });

  it("of every row adds up to one", () => {
    for (const id of ["ionian", "aeolian", "lydian", "melodic-minor", "altered", "ultralocrian"])
      expect(rowFor(mode(id)).alone.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 6);
  });
});

describe("what is open", () => {
  const open = (text: string) => {
    const read = chart(text);
    const found = openBetween(analyses(read), read.chords);
    return found && [found.by, ...found.between.map(({ home, mode: { id } }) => `${printName(home)} ${id}`)];
  };
  test.each([
    ["Am F C G", ["home", "A aeolian", "C ionian"]],
    ["C#m A E B", ["home", "C# aeolian", "E ionian"]],
    ["Dm7 G7 Cmaj7", undefined],
    ["C Am F G", undefined],
    ["Em F", undefined],
    // The chords hold a note of the one and none of the other's.
    ["F#m7b5 B7 Em Em", undefined],
    ["Cm Fm G7 Cm", undefined],
  ])("in %s: %j", (text, expected) => expect(open(text)).toEqual(expected));
});
