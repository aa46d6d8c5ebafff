import { describe, expect, it } from "vitest";
import { fifthsOf, midiOf } from "../pitch";
import { mode, notesOf } from "../scale";
import { betweenFrets, fretAt, GUITAR, neckNotes, placesOf, soundAt, tuningOf } from ".";

const dorian = { home: fifthsOf("D"), mode: mode("dorian") };

describe("the neck", () => {
  it("has true fret spacing, in shares and in millimetres", () => {
    expect([0, 12].map(fretAt)).toEqual([0, 0.5]);
    expect(fretAt(5)).toBeCloseTo(0.2508, 4);
    // 648 mm: the twelfth fret at half, the first four frets 97 mm wide under the fingers.
    expect(betweenFrets(GUITAR, 0, 12)).toBe(324);
    expect(Math.round(betweenFrets(GUITAR, 4, 1))).toBe(97);
    expect(Math.round(betweenFrets(tuningOf("bass"), 1, 4))).toBe(130);
  });

  it("shows every note of the mode and no other", () => {
    const notes = neckNotes(GUITAR, dorian);
    expect(notes.filter(({ string }) => string === 6).map(({ fret }) => fret)).toEqual([
      0, 1, 3, 5, 7, 8, 10, 12, 13, 15, 17, 19, 20, 22,
    ]);
    expect(notes.every(({ pitch }) => notesOf(dorian).includes(pitch.name))).toBe(true);
    expect(notes.every((note) => midiOf(note.pitch) === soundAt(GUITAR, note))).toBe(true);
  });

  it("begins at the capo", () => {
    const capo = { ...GUITAR, capo: 2 };
    expect(neckNotes(capo, dorian).filter(({ string }) => string === 5)[0]).toMatchObject({
      fret: 2,
      interval: 3,
    });
    expect(placesOf(capo, 64)).toEqual([
      { string: 5, fret: 19 },
      { string: 4, fret: 14 },
      { string: 3, fret: 9 },
      { string: 2, fret: 5 },
    ]);
  });
});
