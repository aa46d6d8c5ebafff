import { describe, expect, it, test } from "vitest";
import {
  type Chord,
  coloursOver,
  printChord,
  rightPlaceNear,
  shapesOver,
  writtenFor,
  WRITINGS,
  writtenText,
  readChart,
  chordSounds,
} from "../chord";
import { fifthsOf, printDegree, printName, soundOf } from "../pitch";
import { type HomeMode, holdsAll, mode, SEVEN, soundsOn } from "../scale";
import { movedFingering, shapeOfFingering, stacksOn, tuningOf } from ".";

const GUITAR = tuningOf("guitar");
const MAJ9 = [0, 4, 1, 5, 2];
const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const name = (chord: Chord | undefined) => chord && printChord(chord);

describe("a shape clicked on the neck", () => {
  test.each([
    [[null, 3, 2, 0, 0, 0], "Cmaj7"],
    [[null, null, 10, 9, 8, 7], "Cmaj7"],
    [[0, 2, 2, 0, 0, 0], "Em"],
    [[null, 0, 2, 0, 1, 3], "Am7"],
    [[3, null, null, null, null, null], undefined],
    [[null, null, null, null, null, null], undefined],
    [[3, null, 5, null, null, 3], undefined],
  ])("%j is %s", (frets, expected) => expect(name(shapeOfFingering(GUITAR, frets, 0))).toBe(expected));

  it("moves to any place that the neck has room for", () => {
    expect(movedFingering(GUITAR, [null, 3, 2, 0, 0, 0], 2)).toEqual([null, 5, 4, 2, 2, 2]);
    expect(movedFingering(GUITAR, [null, 3, 2, 0, 0, 0], -1)).toEqual([null, 14, 13, 11, 11, 11]);
    expect(movedFingering({ capo: 0, frets: 5 }, [0, 5], 3)).toBeUndefined();
  });
});

describe("a wrong place over a bass", () => {
  it("has the right one nearest to it offered", () => {
    const places = shapesOver(fifthsOf("A"), MAJ9, mode("dorian"));
    const right = places.flatMap(({ root, outside }) => (outside.length === 0 ? [printName(root)] : []));
    expect(right).toEqual(["C", "G"]);
    const near = (root: string) => {
      const found = rightPlaceNear(
        places,
        places.findIndex((place) => soundOf(place.root) === soundOf(fifthsOf(root))),
      );
      return found && printName(found.root);
    };
    expect([near("Bb"), near("C"), near("F"), near("F#"), near("Db")]).toEqual([
      "C",
      undefined,
      "G",
      "G",
      "C",
    ]);
    expect(rightPlaceNear(shapesOver(fifthsOf("A"), [0, -5, 2, -3, 4], mode("dorian")), 0)).toBeUndefined();
  });
});

describe("seven colours over a bass", () => {
  it("go from light to dark, each with the place that has its colour note", () => {
    const colours = coloursOver(fifthsOf("A"), MAJ9);
    expect(colours.map(({ homeMode }) => homeMode.mode.id).join(" ")).toBe(
      "lydian ionian mixolydian dorian aeolian phrygian locrian",
    );
    expect(colours.map(({ place }) => place && printName(place.root)).join(" ")).toBe("E A G C F Bb Eb");
    for (const { homeMode, place } of coloursOver(fifthsOf("Gb"), MAJ9)) {
      expect(place?.outside).toEqual([]);
      expect(
        place?.degrees.every((degree) =>
          homeMode.mode.intervals.some((each) => soundOf(each) === soundOf(degree)),
        ),
      ).toBe(true);
    }
  });

  it("have a gap where the shape is in no place of a mode", () => {
    expect(coloursOver(0, [0, 4, 8]).every(({ place }) => place === undefined)).toBe(true);
  });
});

describe("chords for a mode", () => {
  test.each([
    ["D", "dorian", "vamp", "| Dm | G |"],
    ["D", "dorian", "pedal", "| Dm | G/D |"],
    ["F#", "lydian", "vamp", "| F# | G# |"],
    ["Gb", "mixolydian", "pedal", "| Gb | Fb/Gb |"],
    ["D", "dorian", "full", "| Dm13 |"],
    ["C#", "phrygian", "vamp", "| C#m | D |"],
  ] as const)("%s %s as %s is %s", (home, id, way, expected) => {
    const [first] = writtenFor(at(home, id), way);
    expect(first && writtenText(first)).toBe(expected);
  });

  it("hold nothing but notes of the mode, and are read back to the same notes", () => {
    for (const each of SEVEN)
      for (const home of [0, 7, -6, 9])
        for (const way of WRITINGS)
          for (const written of writtenFor({ home, mode: each }, way)) {
            const back = readChart(writtenText(written)).value.chords.map(({ chord }) => chord);
            const withOptional = (chord: Chord) =>
              chordSounds({ ...chord, tones: [...chord.tones, ...chord.optional] });
            expect(back.map((chord) => chord && withOptional(chord))).toEqual(
              written.chords.map(chordSounds),
            );
            expect(
              written.chords.every((chord) => holdsAll(soundsOn({ home, mode: each }), chordSounds(chord))),
            ).toBe(true);
          }
  });

  it("leave nothing out where two chords share the notes out", () => {
    expect(writtenFor(at("D", "dorian"), "shared-out")[0]?.missing).toEqual([]);
    expect(writtenFor(at("D", "dorian"), "vamp")[0]?.missing.map((note) => printName(note))).toEqual([
      "E",
      "C",
    ]);
  });
});

describe("fourths over the whole neck", () => {
  it("stand on neighbouring strings, from the nut up, in every place", () => {
    const [fourths] = writtenFor(at("D", "dorian"), "fourths");
    const stacks = stacksOn(GUITAR, fourths!.chords, 5);
    expect(stacks.find(({ chord }) => printName(chord.root) === "D")?.frets).toEqual([
      null,
      5,
      5,
      5,
      null,
      null,
    ]);
    const lows = stacks.map(({ frets }) => Math.min(...frets.filter((fret) => fret !== null)));
    expect(lows).toEqual(lows.toSorted((a, b) => a - b));
    expect(new Set(stacks.map(({ chord }) => chord.root)).size).toBe(7);
    expect(stacksOn(GUITAR, fourths!.chords, 2)).toEqual([]);
  });

  it("have degrees that are all of the mode", () => {
    const [fourths] = writtenFor(at("Bb", "lydian"), "fourths");
    const degrees = fourths!.chords.map(({ root }) => printDegree(root - fifthsOf("Bb")));
    expect(degrees).toEqual(["1", "2", "3", "#4", "5", "6", "7"]);
  });
});
