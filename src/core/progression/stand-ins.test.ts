import { expect, it, test } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { chordNotes, diatonicChords, printChord, readSymbol } from "../chord";
import { bestHome, mode, SEVEN } from "../scale";
import { fitOf, standIns } from ".";

test.each([
  ["Fmaj7", "E", "phrygian", "Am7 Dm7"],
  ["Em", "E", "phrygian", "Em7"],
  ["Dm7", "D", "dorian", "Fmaj7 Bm7b5"],
  ["Cmaj7", "C", "ionian", "Em7 Am7"],
  ["G7", "C", "ionian", "Em7 Bm7b5"],
  ["F#m7", "F#", "dorian", "Amaj7 D#m7b5"],
])("over %s in %s %s stand first %s", (symbol, home, id, expected) => {
  const analysis = readSymbol(symbol);
  const all = "chord" in analysis ? standIns(analysis.chord, { home: fifthsOf(home), mode: mode(id) }) : [];
  const said = all.map(({ chord }) => printChord(chord)).slice(0, expected.split(" ").length);
  expect(said.sort().join(" ")).toBe(expected.split(" ").sort().join(" "));
});

it("have no avoid note of the chord and are told by what they share and add, in every mode", () => {
  for (const each of SEVEN)
    for (const sound of [0, 3, 6]) {
      const homeMode = { home: bestHome(sound, each), mode: each };
      for (const { chords } of diatonicChords(homeMode)) {
        const chord = chords.seventh!;
        const avoid = fitOf(chord, homeMode).avoidNotes.map(soundOf);
        for (const { chord: other, shared, added } of standIns(chord, homeMode)) {
          expect(chordNotes(other).filter((note) => avoid.includes(soundOf(note)))).toEqual([]);
          expect(shared.length).toBeGreaterThanOrEqual(2);
          expect([...shared, ...added].map((note) => printName(note)).sort()).toEqual(
            chordNotes(other)
              .map((note) => printName(note))
              .sort(),
          );
        }
      }
    }
});
