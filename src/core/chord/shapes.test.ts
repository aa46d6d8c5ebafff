import { describe, expect, it, test } from "vitest";
import { fifthsOf, printName, soundOf } from "../pitch";
import { type HomeMode, holdsAll, mode, SEVEN, soundsOn } from "../scale";
import {
  type Chord,
  chordSounds,
  coloursOver,
  readChart,
  rightPlaceNear,
  shapesOver,
  writtenFor,
  WRITINGS,
  writtenText,
} from ".";

const MAJ9 = [0, 4, 1, 5, 2];
const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

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
