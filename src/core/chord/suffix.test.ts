import { expect, it, test } from "vitest";
import { printDegree } from "../pitch";
import { CATALOGUE, mode, modeOf, modesOfSize, pitchClassSet } from "../scale";
import {
  chordNames,
  chordSounds,
  type Chord,
  diatonicChords,
  fourthStacks,
  fullChord,
  printChord,
  readSymbol,
} from ".";
import { tonesFromSounds } from "./name";

/** The sounds of a symbol, with what it leaves to the player and without. */
function soundsRead(symbol: string): readonly number[] {
  const reading = readSymbol(symbol);
  if (!("chord" in reading)) return [];
  const { chord } = reading;
  return [chordSounds(chord), chordSounds({ ...chord, tones: [...chord.tones, ...chord.optional] })];
}

const notReadBack = (chords: readonly Chord[]): readonly string[] =>
  chords
    .filter((chord) => !soundsRead(printChord(chord)).includes(chordSounds(chord)))
    .map((chord) => `${printChord(chord)}: ${chord.tones.map((tone) => printDegree(tone)).join(" ")}`);

it("every set of notes on a root has a name that is read as that set", () => {
  const all = Array.from({ length: 2047 }, (_, at) => modeOf(2 * at + 3)).map(({ intervals }): Chord => ({
    root: 0,
    tones: intervals,
    optional: [],
  }));
  const named = all.map(({ tones }): Chord => ({
    root: 6,
    tones: tonesFromSounds(tones.map((tone) => (((tone * 7) % 12) + 12) % 12)).tones,
    optional: [],
  }));
  expect(notReadBack([...all, ...named])).toEqual([]);
});

it("so has every chord on the degrees of every scale, in thirds, in fourths and in full", () => {
  const wrong = [...CATALOGUE, ...modesOfSize(7)].flatMap((each) => {
    const diatonic = diatonicChords({ home: 5, mode: each }).flatMap(({ chords }) => Object.values(chords));
    const stacks =
      each.intervals.length === 7 ? fourthStacks(each, 4).flatMap(({ notes }) => chordNames(notes)) : [];
    const full: Chord = { root: -6, tones: fullChord(each).named, optional: [] };
    return notReadBack([...diatonic, ...stacks, full]);
  });
  expect([...new Set(wrong)]).toEqual([]);
});

test.each([
  ["double-harmonic-minor", 6, "Bm6"],
  ["ultralocrian", 0, "Cdim7"],
  ["altered", 0, "C7alt"],
  ["phrygian-flat4", 0, "C7b9#9b13"],
])("the seventh on %s, degree %i is %s", (id, at, symbol) => {
  const chord = diatonicChords({ home: 0, mode: mode(id) })[at]?.chords.seventh;
  expect(chord && printChord(chord)).toBe(symbol);
});

test.each([
  ["1 b3 5 bb7", "Cm6"],
  ["1 3 b7", "C7no5"],
  ["1 b7", "C7no3no5"],
  ["1 3", "Cno5"],
  ["1 3 b7 b2 #2 b6", "C7alt"],
  ["1 5", "C5"],
  ["1 b3 5 b7 2 4 6", "Cm13"],
  ["1 3 5 b7 2 4", "C11"],
])("%s is named %s", (degrees, symbol) => {
  const tones = modeOf(pitchClassSet(degrees.split(" ").map((degree) => soundsOfDegree(degree)))).intervals;
  expect(printChord({ root: 0, tones, optional: [] })).toBe(symbol);
});

function soundsOfDegree(degree: string): number {
  const plain = [0, 2, 4, 5, 7, 9, 11][Number(degree.at(-1)) - 1] ?? 0;
  return plain + (degree.split("#").length - 1) - (degree.split("b").length - 1);
}
