import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import { fifthsOf, midiOf, modulo, printPitch, soundOf } from "../pitch";
import { CATALOGUE, mode, notesOf } from "../scale";
import {
  COMFORTABLE_STRETCH,
  GUITAR,
  INSTRUMENTS,
  keyFingers,
  LINE_FIGURES,
  lineOn,
  lineOnKeys,
  lineSteps,
  soundAt,
  stretchOf,
  tuningOf,
  fingerRun,
  placesOf,
} from ".";

const at = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });

describe("lines", () => {
  test.each([
    ["scale", 1, "0 1 2 3 4 5 6 7 6 5 4 3 2 1 0"],
    ["thirds", 1, "0 2 1 3 2 4 3 5 4 6 5 7 7 5 6 4 5 3 4 2 3 1 2 0"],
    ["fourths", 1, "0 3 1 4 2 5 3 6 4 7 7 4 6 3 5 2 4 1 3 0"],
    ["triads", 1, "0 2 4 1 3 5 2 4 6 3 5 7 7 5 3 6 4 2 5 3 1 4 2 0"],
    ["three-note-groups", 1, "0 1 2 1 2 3 2 3 4 3 4 5 4 5 6 5 6 7 7 6 5 6 5 4 5 4 3 4 3 2 3 2 1 2 1 0"],
  ] as const)("in %s over %i octave go %s", (figure, octaves, written) =>
    expect(lineSteps(7, figure, octaves).join(" ")).toBe(written),
  );

  it("arpeggios go through every mode of the parent: 1 3 5 7 9 8 from each of the seven notes", () => {
    const up = lineSteps(7, "arpeggios", 1).slice(0, 42);
    const sixes = Array.from({ length: 7 }, (_, from) => up.slice(from * 6, from * 6 + 6).join(" "));
    expect(sixes).toEqual([
      "0 2 4 6 8 7",
      "1 3 5 7 9 8",
      "2 4 6 8 10 9",
      "3 5 7 9 11 10",
      "4 6 8 10 12 11",
      "5 7 9 11 13 12",
      "6 8 10 12 14 13",
    ]);
    const line = lineOn(GUITAR, at("D", "dorian"), { figure: "arpeggios", octaves: 1 })!;
    const pitches = line.map(({ pitch }) => printPitch(pitch));
    expect(pitches.slice(0, 12).join(" ")).toBe("D3 F3 A3 C4 E4 D4 E3 G3 B3 D4 F4 E4");
  });

  it("fingers arpeggios a mode at a time: each as it would be by itself from where the hand is", () => {
    const line = lineOn(GUITAR, at("C#", "phrygian"), { figure: "arpeggios", octaves: 1, near: 4 })!;
    for (let from = 0; from < line.length; from += 6) {
      const group = line.slice(from, from + 6);
      const alone = fingerRun(
        GUITAR,
        group.map(({ pitch }) => placesOf(GUITAR, midiOf(pitch))),
        { limit: COMFORTABLE_STRETCH, near: from === 0 ? 4 : line[from - 1]!.place!.hand },
      );
      expect(group.map(({ finger }) => finger)).toEqual(alone?.map(({ finger }) => finger));
    }
  });

  it("begin and end on home, in the mode, where the hand can be, on every instrument", () => {
    const necks = INSTRUMENTS.flatMap(({ tunings }) => tunings);
    fc.assert(
      fc.property(
        fc.constantFrom(...necks),
        fc.constantFrom(...CATALOGUE.filter(({ intervals }) => intervals.length >= 5)),
        fc.integer({ min: -6, max: 7 }),
        fc.constantFrom(...LINE_FIGURES),
        fc.integer({ min: 0, max: 9 }),
        (tuning, each, home, figure, near) => {
          const line = lineOn(tuning, { home, mode: each }, { figure, octaves: 1, near });
          if (!line) return;
          expect([line[0], line.at(-1)].map((note) => note?.pitch.name)).toEqual([home, home]);
          const names = notesOf({ home, mode: each });
          for (const { pitch, place } of line) {
            expect(names).toContain(pitch.name);
            expect(soundAt(tuning, place!)).toBe(midiOf(pitch));
          }
          expect(
            stretchOf(
              tuning,
              line.map(({ place }) => place!),
            ),
          ).toBeLessThanOrEqual(COMFORTABLE_STRETCH);
        },
      ),
      { numRuns: 60 },
    );
  });

  it("lie where the hand is: a scale at the seventh fret stays there", () => {
    const frets = lineOn(GUITAR, at("D", "dorian"), { figure: "scale", octaves: 1, near: 9 })!.map(
      ({ place }) => `${place!.string}/${place!.fret}`,
    );
    expect(frets.slice(0, 8).join(" ")).toBe("6/10 5/7 5/8 5/10 4/7 4/9 4/10 3/7");
  });

  it("are not to be had where the neck is too short", () => {
    expect(
      lineOn({ ...tuningOf("bass"), frets: 5 }, at("F", "ionian"), { figure: "arpeggios", octaves: 2 }),
    ).toBeUndefined();
  });
});

describe("on a keyboard", () => {
  test.each([
    ["C", "ionian", 1, "1 2 3 1 2 3 4 5 4 3 2 1 3 2 1"],
    ["G", "ionian", 1, "1 2 3 1 2 3 4 5 4 3 2 1 3 2 1"],
  ] as const)("%s %s is fingered as pianists do", (home, id, octaves, fingers) => {
    const line = lineOnKeys(at(home, id), { figure: "scale", octaves });
    expect(line.map(({ finger }) => finger).join(" ")).toBe(fingers);
  });

  it("the thumb keeps off black keys in scales that have white ones to spare", () => {
    for (const home of ["Eb", "Ab", "Bb", "F", "D", "A", "E"]) {
      const line = lineOnKeys(at(home, "ionian"), { figure: "scale", octaves: 2 });
      const onThumb = line.filter(({ finger }) => finger === 1).map(({ pitch }) => modulo(midiOf(pitch), 12));
      expect(onThumb.every((sound) => [0, 2, 4, 5, 7, 9, 11].includes(sound))).toBe(true);
    }
  });

  it("fingers are five, and a held key keeps its finger", () => {
    expect(keyFingers([60, 60, 62])).toEqual([1, 1, 2]);
    expect(keyFingers([])).toEqual([]);
    const line = lineOnKeys(at("C#", "lydian"), { figure: "arpeggios", octaves: 1 });
    expect(line.every(({ finger }) => finger >= 1 && finger <= 5)).toBe(true);
    expect(soundOf(line[0]!.pitch.name)).toBe(1);
  });
});
