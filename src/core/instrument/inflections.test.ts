import { describe, expect, it, test } from "vitest";
import { fifthsOf, printName } from "../pitch";
import { chordSounds, printChord, readSymbol, type Chord } from "../chord";
import { bestHome, type HomeMode, mode, SEVEN, soundsOn } from "../scale";
import { GUITAR, inflections, voicings } from ".";

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const chord = (symbol: string): Chord => {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) throw new Error(symbol);
  return reading.chord;
};

describe("inflections of a grip", () => {
  test.each([
    ["Em", "E", "phrygian", "1: 0-1 F Emaddb9, 2: 0-1 C Emb6"],
    ["Am", "A", "dorian", "1: 0-2 F# Am6, 1: 0-3 G Am7"],
    ["C", "C", "lydian", "1: 0-2 F# Cadd#11, 2: 1-0 B Cmaj7"],
    ["Em", "E", "dorian", "1: 0-2 F# Emadd9, 2: 0-2 C# Em6"],
    ["C#m", "C#", "phrygian", "1: 4-5 A C#mb6, 1: 4-7 B C#m7"],
  ])("of %s in %s %s begin with %s", (symbol, home, id, expected) => {
    const [grip] = voicings(GUITAR, { chord: chord(symbol) });
    const said = inflections(GUITAR, at(home, id), chord(symbol), grip!).map(
      (each) =>
        `${each.string}: ${String(each.from)}-${String(each.to)} ${printName(each.note)} ${printChord(each.chord)}`,
    );
    expect(said.slice(0, 2).join(", ")).toBe(expected);
  });

  it("lie in the mode, change one string, and can be fingered", () => {
    for (const each of SEVEN)
      for (const sound of [0, 1, 6, 10]) {
        const homeMode = { home: bestHome(sound, each), mode: each };
        const asked: Chord = {
          root: homeMode.home,
          tones: [0, each.intervals[2]!, each.intervals[4]!],
          optional: [],
        };
        const [grip] = voicings(GUITAR, { chord: asked });
        for (const { frets, fingers, chord: made, string } of inflections(GUITAR, homeMode, asked, grip!)) {
          expect(frets.filter((fret, n) => fret !== grip!.frets[n])).toHaveLength(1);
          expect(frets[6 - string]).not.toBe(grip!.frets[6 - string]);
          expect(chordSounds(made) & ~soundsOn(homeMode)).toBe(0);
          expect(Math.max(...fingers.map((finger) => finger ?? 0))).toBeLessThanOrEqual(4);
        }
      }
  });

  it("are none where nothing is held", () => {
    expect(
      inflections(GUITAR, at("E", "dorian"), chord("Em"), { frets: [null, null, null, null, null, null] }),
    ).toEqual([]);
  });
});
