import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { chordNotes, readChart } from "../chord";
import { midiOf, type Pitch, printName, printPitch, soundOf } from "../pitch";
import { guideLines } from "../progression";
import { ENSEMBLES, type Ensemble, type EnsemblePart, laidOut, parallel } from ".";

const chords = (text: string) => readChart(text).value.chords.map(({ chord }) => chord);
const said = (text: string, ensemble: Ensemble) =>
  laidOut(chords(text), ensemble).map((way) => way?.map((pitch) => printPitch(pitch)).join(" "));

/** The part that each voice belongs to, from the highest down. */
const partOfVoice = (ensemble: Ensemble): readonly EnsemblePart[] =>
  (ENSEMBLES[ensemble] as readonly EnsemblePart[]).flatMap((part) =>
    Array.from({ length: part.voices }, () => part),
  );

describe("chords laid out for others", () => {
  it("keep the notes that say the chord, hold common notes and move by steps", () => {
    const [first, second] = laidOut(chords("Dm7 G7"), "strings");
    const sounds = (way: readonly Pitch[] | undefined) =>
      way?.map(({ name }) => soundOf(name)).sort((a, b) => a - b);
    expect(sounds(first)).toEqual([0, 2, 5, 9]);
    expect(sounds(second)).toEqual(expect.arrayContaining([5, 7, 11]));
    const moves = first!
      .slice(0, -1)
      .map((pitch, voice) => Math.abs(midiOf(pitch) - midiOf(second![voice]!)));
    expect(moves[0]).toBeLessThanOrEqual(1);
    expect(moves[1]).toBe(0);
  });

  /** The tones that have to be heard in the upper parts, whatever else is left out. */
  test.each([
    ["Bbmaj7/A", ["Bb", "D"]],
    ["Fmaj7/A", ["F", "E"]],
    ["C/E", ["C", "G"]],
    ["G7b9", ["B", "F", "Ab"]],
    ["G7#11", ["B", "F", "C#"]],
    ["F#7b13", ["A#", "E", "D"]],
    ["G7b9/B", ["G", "F", "Ab"]],
    ["Ebm7b5/Gb", ["Eb", "Db", "Bbb"]],
  ])("%s keeps %j over its bass", (symbol, needed) => {
    for (const ensemble of ["strings", "keyboard"] as const) {
      const [way] = laidOut(chords(symbol), ensemble);
      const upper = way?.slice(0, -1).map(({ name }) => printName(name));
      expect(upper).toEqual(expect.arrayContaining([...needed]));
    }
  });

  test.each(["C/E", "F/A", "Gb/Bb", "Am/C"])("%s doubles its bass last", (symbol) => {
    for (const ensemble of ["strings", "keyboard"] as const) {
      const [way] = laidOut(chords(symbol), ensemble);
      const bass = way?.at(-1)?.name;
      expect(way?.slice(0, -1).filter(({ name }) => name === bass)).toEqual([]);
    }
  });

  test.each([
    "Dm7 G7 Cmaj7",
    "Ebm7 Ab7 Dbmaj7",
    "Bm7b5 E7b9 Am6",
    "C7 F7 Bb7 Eb",
    "F#dim7 Gm",
    "C#m7b5 F#7 Bm",
  ])("sevenths in %s stay or fall, and the guide lines are in the parts", (text) => {
    const all = chords(text);
    const lines = guideLines(all);
    for (const ensemble of ["strings", "keyboard"] as const) {
      const ways = laidOut(all, ensemble);
      for (const [at, way] of ways.entries()) {
        const [chord, next] = [all[at], ways[at + 1]];
        const upper = way!.slice(0, -1).map(({ name }) => soundOf(name));
        for (const { note } of lines[at]!)
          if (note !== chord!.root) expect([...upper, soundOf(way!.at(-1)!.name)]).toContain(soundOf(note));
        for (const [voice, pitch] of way!.entries()) {
          if (!next || ![-2, -9].includes(pitch.name - chord!.root)) continue;
          expect([0, -1, -2]).toContain(midiOf(next[voice]!) - midiOf(pitch));
        }
      }
    }
  });

  it("spell as the chords do, in odd keys too", () => {
    expect(said("G#m7 C#7", "strings").join(" ")).toMatch(/E#/u);
    expect(said("Gb Cb", "keyboard").join(" ")).toMatch(/Cb/u);
  });

  it("stand inside the ranges, uncrossed, over the bass that is asked for, whatever the chords", () => {
    const symbols = fc.array(
      fc.constantFrom(
        "Em9",
        "A13",
        "C/E",
        "C5",
        "F#m7b5/C",
        "Gb6/9",
        "B7alt",
        "D",
        "Abmaj13#11",
        "C#dim7",
        "qqq",
      ),
      { minLength: 1, maxLength: 8 },
    );
    fc.assert(
      fc.property(symbols, fc.constantFrom<Ensemble>("keyboard", "strings"), (line, ensemble) => {
        const all = chords(line.join(" "));
        for (const [at, way] of laidOut(all, ensemble).entries()) {
          const chord = all[at];
          expect(way === undefined).toBe(chord === undefined);
          if (!way || !chord) continue;
          const midis = way.map(midiOf);
          expect(midis).toEqual(midis.toSorted((a, b) => b - a));
          expect(new Set(midis).size).toBe(midis.length);
          for (const [voice, part] of partOfVoice(ensemble).entries()) {
            expect(midis[voice]).toBeGreaterThanOrEqual(part.low);
            expect(midis[voice]).toBeLessThanOrEqual(part.high);
          }
          expect(way.at(-1)?.name).toBe(chord.bass ?? chord.root);
          expect(way.every(({ name }) => chordNotes(chord).includes(name))).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });

  it("have no parallel fifths where there is another way", () => {
    const ways = laidOut(chords("C F G C Am Dm G7 C"), "strings").map((way) => way?.map(midiOf) ?? []);
    const voices = [0, 1, 2, 3];
    const pair = (way: readonly number[] = [], high: number, low: number) =>
      [way[high] ?? 0, way[low] ?? 0] as const;
    const parallels = ways
      .slice(1)
      .flatMap((way, at) =>
        voices.flatMap((high) =>
          voices
            .slice(high + 1)
            .filter((low) => parallel(pair(ways[at], high, low), pair(way, high, low)) === "fifths"),
        ),
      );
    expect(parallels).toEqual([]);
  });

  it.each([
    ["G over C to A over D", [67, 60], [69, 62], "fifths"],
    ["C over C to D over D", [72, 60], [74, 62], "octaves"],
    ["a twelfth, moved", [79, 60], [77, 58], "fifths"],
    ["two notes in unison, moved", [60, 60], [62, 62], "octaves"],
    ["G over C, held", [67, 60], [67, 60], undefined],
    ["a fifth that opens to a sixth", [67, 60], [69, 60], undefined],
    ["a fifth that is left in contrary motion", [67, 60], [65, 62], undefined],
    ["G flat over C to G over D flat, both diminished", [66, 60], [67, 61], undefined],
    ["thirds, moved", [64, 60], [65, 61], undefined],
  ] as const)("are parallel or not: %s", (_, before, after, expected) => {
    expect(parallel(before, after)).toBe(expected);
  });
});
