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
        for (const { chord: other, shared, added, avoid: told } of standIns(chord, homeMode)) {
          const avoided = chordNotes(other).filter((note) => avoid.includes(soundOf(note)));
          expect(avoided).toEqual(told);
          if (told.length === 0) expect(shared.length).toBeGreaterThanOrEqual(2);
          else expect(standIns(chord, homeMode).every((each) => each.avoid.length > 0)).toBe(true);
          expect([...shared, ...added].map((note) => printName(note)).sort()).toEqual(
            chordNotes(other)
              .map((note) => printName(note))
              .sort(),
          );
        }
      }
    }
});

const over = (symbol: string, home: string, id: string) => {
  const reading = readSymbol(symbol);
  return "chord" in reading ? standIns(reading.chord, { home: fifthsOf(home), mode: mode(id) }) : [];
};

it("never have the other third of the chord", () => {
  // E7 in A Aeolian and in the odd keys beside it: Em7 has its G.
  for (const [symbol, home, minor] of [
    ["E7", "A", "Em7"],
    ["B7", "E", "Bm7"],
    ["A#7", "D#", "A#m7"],
    ["Db7", "Gb", "Dbm7"],
  ] as const) {
    const names = over(symbol, home, "aeolian").map(({ chord }) => printChord(chord));
    expect(names).not.toContain(minor);
  }
});

it("are offered with the avoid note that they have where none is without", () => {
  const found = over("Em7", "E", "phrygian");
  const told = found.map(
    ({ chord, avoid }) => `${printChord(chord)} ${avoid.map((note) => printName(note)).join(" ")}`,
  );
  expect(told).toContain("Am7 C");
  expect(told).toContain("Dm7 F C");
});
