import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { fifthsOf, midiOf } from "../pitch";
import { CATALOGUE, type HomeMode, mode, notesOf } from "../scale";
import { fretAt, GUITAR, neckNotes, position, positionFrets } from ".";

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

/** Frets a string, lowest string first. */
const frets = (homeMode: HomeMode, fret: number) =>
  [6, 5, 4, 3, 2, 1].map((string) =>
    position(GUITAR, homeMode, fret)
      .filter((note) => note.string === string)
      .map((note) => note.fret)
      .join(" "),
  );

describe("the neck", () => {
  it("has true fret spacing", () => {
    expect([0, 12].map(fretAt)).toEqual([0, 0.5]);
    expect(fretAt(5)).toBeCloseTo(0.2508, 4);
  });

  it("shows every note of the mode and no other", () => {
    const dorian = at("D", "dorian");
    const notes = neckNotes(GUITAR, dorian);
    expect(notes.filter(({ string }) => string === 6).map(({ fret }) => fret)).toEqual([
      0, 1, 3, 5, 7, 8, 10, 12, 13, 15,
    ]);
    expect(notes.every(({ pitch }) => notesOf(dorian).includes(pitch.name))).toBe(true);
  });

  it("lies under one hand, as worked out by hand", () => {
    expect(frets(at("D", "dorian"), 5)).toEqual(["5 7 8", "5 7 8", "5 7", "4 5 7", "5 6 8", "5 7 8"]);
    expect(frets(at("E", "dorian"), 7)).toEqual(["7 9 10", "7 9 10", "7 9", "6 7 9", "7 8 10", "7 9 10"]);
    expect(frets(at("G", "ionian"), 2)).toEqual(["2 3 5", "2 3 5", "2 4 5", "2 4 5", "3 5", "2 3 5"]);
    expect(frets(at("C#", "lydian"), 9)).toEqual(["9 11", "8 10 11", "8 10 11", "8 10 12", "9 11", "8 9 11"]);
  });

  it("has each pitch once, rising, none left out, within the hand", () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...CATALOGUE),
        fc.integer({ min: -6, max: 7 }),
        fc.nat(20),
        (each, home, pick) => {
          const homeMode = { home, mode: each };
          const starts = positionFrets(GUITAR, homeMode);
          const fret = starts[pick % starts.length] ?? 0;
          const found = position(GUITAR, homeMode, fret);
          const midis = found.map(({ pitch }) => midiOf(pitch));
          const [lowest = 0, highest = 0] = [midis[0], midis.at(-1)];
          const wanted = neckNotes(GUITAR, homeMode).map(({ pitch }) => midiOf(pitch));
          const all = [...new Set(wanted)]
            .filter((midi) => midi >= lowest && midi <= highest)
            .sort((a, b) => a - b);
          expect(midis).toEqual(all);
          expect(found.every((note) => note.fret >= fret - 1 && note.fret <= fret + 4)).toBe(true);
        },
      ),
    );
  });

  it("begins on the mode's notes of the lowest string", () => {
    expect(positionFrets(GUITAR, at("Gb", "phrygian"))).toEqual([0, 2, 3, 5, 7, 9, 10, 12]);
  });
});
