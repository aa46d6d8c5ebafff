import { describe, expect, it } from "vitest";
import { readChart, transposeChart } from "../chord";
import { fifthsOf, printName, soundOf } from "../pitch";
import { analyses } from ".";

const keysOf = (text: string) => analyses(readChart(text).value).keys;
const told = (text: string) =>
  keysOf(text)
    .map(({ home, isMinor, from, to }) => `${printName(home)}${isMinor ? "m" : ""} ${from}-${to}`)
    .join(", ");

/** Charts with their keys, each with its twin seven fifths off, where names are odd. */
const CASES: readonly (readonly [
  text: string,
  keys: readonly (readonly [home: string, from: number, to: number])[],
])[] = [
  // The home chord says whether it is minor, whatever the mode that holds the rest.
  ["E G A C", [["E", 0, 3]]],
  ["A7 D7 A7 E7", [["A", 0, 3]]],
  ["Em F Em F", [["Em", 0, 3]]],
  [
    "C F G7 C C F G7 C G C D7 G C F G7 C C F G7 C",
    [
      ["C", 0, 7],
      ["G", 8, 11],
      ["C", 12, 19],
    ],
  ],
  [
    "C F G7 C C F G7 C Am Dm E7 Am Am Dm E7 Am",
    [
      ["C", 0, 7],
      ["Am", 8, 15],
    ],
  ],
  [
    "Am Dm E7 Am Am Dm E7 Am C F G7 C C F G7 C Am Dm E7 Am",
    [
      ["Am", 0, 7],
      ["C", 8, 15],
      ["Am", 16, 19],
    ],
  ],
  ["G Em Am D7 G Em Am D7 G Am7 D7 G", [["G", 0, 11]]],
  ["C A7 Dm G7 C E7 Am D7 G7 C", [["C", 0, 9]]],
  ["C C7 F Fm C G7 C", [["C", 0, 6]]],
  [
    "D G A7 D Bm Em A7 D B7 E A B7 E C#m F#m B7 E",
    [
      ["D", 0, 7],
      ["E", 8, 16],
    ],
  ],
  [
    "Gmaj7 Em7 Am7 D7 Gmaj7 Gmaj7 Cm7 F7 Bbmaj7 Gm7 Cm7 F7 Bbmaj7 Am7 D7 Gmaj7",
    [
      ["G", 0, 5],
      ["Bb", 6, 12],
      ["G", 13, 15],
    ],
  ],
  [
    "Em C G D Em C G D A E F#m D A E F#m D",
    [
      ["G", 0, 7],
      ["A", 8, 15],
    ],
  ],
  [
    "Dm7 Dm7 Dm7 Dm7 Ebm7 Ebm7 Ebm7 Ebm7",
    [
      ["Dm", 0, 3],
      ["Ebm", 4, 7],
    ],
  ],
  ["| Dm7 G7 | Em7 A7 | Dm7 G7 | Cmaj7 |", [["C", 0, 6]]],
  ["Em9 A13 Em9 A13 Cmaj7 D6 Em9 B7sus4", [["Em", 0, 7]]],
  ["C7 F7 C7 C7 F7 F7 C7 C7 G7 F7 C7 G7", [["C", 0, 11]]],
  ["C Bb F C C Bb F C", [["C", 0, 7]]],
];

describe("the keys of a chart", () => {
  it.each(CASES)("%s", (text, keys) => {
    expect(told(text)).toBe(keys.map(([home, from, to]) => `${home} ${from}-${to}`).join(", "));
  });

  it.each(CASES)("%s, in an odd key", (text, keys) => {
    for (const by of [7, -7, 5, -6]) {
      const found = keysOf(transposeChart(text, by)).map(({ home, from, to }) => [soundOf(home), from, to]);
      expect(found).toEqual(
        keys.map(([home, from, to]) => [soundOf(fifthsOf(home.replace("m", "")) + by), from, to]),
      );
    }
  });

  it.each([
    "Ebmaj7 Cm7 Fm7 Bb7 Ebmaj7 Cm7 Fm7 Bb7 Gmaj7 Em7 Am7 D7 Gmaj7 Em7 Am7 D7 Fm7 Bb7",
    "C Am Dm G7 C F G7 C A E7 A D A E7 A Dm7 G7",
  ])("%s comes back to its key, though it stops on the dominant", (text) => {
    for (const by of [0, 6, -7]) {
      const homes = keysOf(transposeChart(text, by)).map(({ home }) => soundOf(home));
      expect(homes).toHaveLength(3);
      expect(homes[2]).toBe(homes[0]);
    }
  });

  it("tells what is only tonicised, and the chord that both keys have", () => {
    expect(keysOf("C A7 Dm G7 C").flatMap(({ tonicized }) => tonicized)).toEqual([
      { at: 1, home: fifthsOf("D") },
    ]);
    const [, second] = keysOf("C F G7 C C F G7 C G C D7 G C D7 G");
    expect(second).toMatchObject({ home: fifthsOf("G"), pivot: 7 });
    expect(keysOf("C F G7 C")[0]).toMatchObject({ tonicized: [] });
  });

  it("are none where there is no chord", () => {
    expect([keysOf(""), keysOf("N.C. N.C.")]).toEqual([[], []]);
  });

  it("never deny the home of the headline", () => {
    for (const [text] of CASES) {
      const {
        keys,
        "fewest-changes": [fewest],
      } = analyses(readChart(text).value);
      for (const { from, to, homeMode } of fewest!.segments)
        for (let at = from; at <= to; at += 1) {
          const key = keys.find((each) => at >= each.from && at <= each.to);
          expect(soundOf(key!.home)).toBe(soundOf(homeMode.home));
        }
    }
  });

  it("don't change with the way the chart is written: chords a bar, a chord struck again", () => {
    const homesAt = (text: string, places: readonly number[]) => {
      const keys = keysOf(text);
      return places.map((place) => {
        const key = keys.find(({ from, to }) => place >= from && place <= to);
        return key && soundOf(key.home);
      });
    };
    const inBars = (all: readonly string[], perBar: number) =>
      `| ${Array.from({ length: Math.ceil(all.length / perBar) }, (_, bar) =>
        all.slice(bar * perBar, (bar + 1) * perBar).join(" "),
      ).join(" | ")} |`;
    for (const [text] of CASES.filter(([each]) => !each.includes("|"))) {
      const chords = text.split(" ");
      // Whole bars alone: what is left over in the last one would last longer.
      const whole = chords.slice(0, chords.length - (chords.length % 4));
      const places = whole.map((_, at) => at);
      const plain = homesAt(inBars(whole, 1), places);
      for (const perBar of [2, 4]) expect(homesAt(inBars(whole, perBar), places), text).toEqual(plain);
      const again = whole.flatMap((chord) => [chord, chord]);
      const firsts = places.map((at) => at * 2);
      for (const perBar of [2, 4]) expect(homesAt(inBars(again, perBar), firsts), text).toEqual(plain);
    }
  });
});
