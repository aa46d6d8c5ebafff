import { describe, expect, it } from "vitest";
import { tuningOf } from ".";
import { notesToFind } from "./find";

describe("a note that is to be found on a neck", () => {
  it("is every pitch of that sound between the frets", () => {
    // B on a guitar at the fifth fret: string 6 fret 7, string 4 fret 9, string 1 fret 7 and string 2 has none up to 9.
    expect(notesToFind(tuningOf("guitar"), 11, 5)).toEqual({ fromFret: 5, toFret: 9, midis: [47, 59, 71] });
    expect(notesToFind(tuningOf("guitar"), 4, 0).midis).toEqual([40, 52, 64]);
  });

  it("is there on every neck from every fret, the part being as wide as that takes", () => {
    for (const id of ["guitar", "bass", "ukulele", "mandolin", "fiddle", "tenor-banjo"])
      for (let sound = 0; sound < 12; sound += 1)
        for (let fret = 0; fret < 9; fret += 1) {
          const { midis, fromFret, toFret } = notesToFind(tuningOf(id), sound, fret);
          expect(midis.length, `${id} ${sound} ${fret}`).toBeGreaterThan(0);
          expect(toFret - fromFret).toBeLessThan(9);
        }
  });
});
