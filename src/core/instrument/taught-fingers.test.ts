import { describe, expect, it, test } from "vitest";
import { fifthsOf, letterOf, type Pitch, soundOf } from "../pitch";
import { bestHome, CATALOGUE, type HomeMode, mode, SEVEN, USUAL_MODES } from "../scale";
import { GUITAR, type Position, positions, type System, touchingFingers, tuningOf } from ".";

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const HOMES = Array.from({ length: 12 }, (_, sound) => sound);
const letters = ({ name, octave }: Pitch) => octave * 7 + "CDEFGAB".indexOf(letterOf(name));

/** Fingers string by string from the one that lies lowest, `^` where the hand moves. */
const fingers = ({ notes }: Position, strings: number) =>
  Array.from({ length: strings }, (_, each) => strings - each)
    .map((string) =>
      notes
        .filter((note) => note.string === string)
        .map(({ finger, isShift }) => `${isShift ? "^" : ""}${finger}`)
        .join(" "),
    )
    .join(" | ");

const first = (id: string, homeMode: HomeMode, system: System) =>
  positions(tuningOf(id), homeMode, system)[0]!;

describe("on a fiddle and a mandolin", () => {
  test.each([
    ["D", "ionian", "0 1 2 3 | 0 1 2 3 | 0 1 2 3 | 0 1 2 3 4"],
    ["D", "dorian", "0 1 2 3 | 0 1 2 3 | 0 1 2 3 | 0 1 2 3 4"],
    ["Eb", "ionian", "0 1 2 3 | 0 1 2 3 4 | 1 2 3 4 | 1 2 3 4"],
    ["A", "mixolydian", "0 1 2 3 | 0 1 2 3 | 0 1 2 3 | 0 1 2 3 4"],
    ["E", "minor-pentatonic", "0 1 2 | 0 1 3 | 0 1 3 | 0 2 3 4"],
  ])("first position of %s %s is fingered %s", (home, id, expected) => {
    for (const instrument of ["fiddle", "mandolin"])
      expect(fingers(first(instrument, at(home, id), "open"), 4)).toBe(expected);
  });

  it("the letter above the open string is finger 1, the next ones 2, 3, 4, whatever the accidental, in every mode and on every home", () => {
    for (const instrument of ["fiddle", "mandolin"]) {
      const tuning = tuningOf(instrument);
      for (const each of CATALOGUE.filter(({ intervals }) => intervals.length === 7))
        for (const sound of HOMES)
          for (const { string, fret, finger, pitch } of first(
            instrument,
            { home: bestHome(sound, each), mode: each },
            "open",
          ).notes) {
            const open = tuning.strings[4 - string]!;
            const above = letters(pitch) - letters(open);
            expect([string, fret, finger]).toEqual([string, fret, fret === 0 ? 0 : Math.max(1, above)]);
          }
    }
  });

  it("other positions go by the letter of their own first finger, four on each string", () => {
    for (const each of USUAL_MODES)
      for (const sound of HOMES) {
        const homeMode = { home: bestHome(sound, each), mode: each };
        const [, ...higher] = positions(tuningOf("fiddle"), homeMode, "five-positions");
        expect(higher.length).toBeGreaterThan(3);
        for (const [n, { notes, name }] of higher.entries()) {
          expect(name).toEqual({ code: "position", number: n + 2 });
          for (const { string, finger, pitch } of notes) {
            const open = tuningOf("fiddle").strings[4 - string]!;
            expect(finger).toBe(letters(pitch) - letters(open) - n - 1);
          }
        }
      }
  });

  test.each([
    ["D", "ionian", "2-3 on 3, 2-3 on 2, 1-2 on 1"],
    ["D", "dorian", "2-3 on 4, 1-2 on 3, 1-2 on 2"],
    ["G", "ionian", "2-3 on 4, 2-3 on 3, 1-2 on 2, 1-2 on 1"],
    ["A", "ionian", "2-3 on 2, 2-3 on 1"],
  ])("which fingers touch in %s %s: %s", (home, id, expected) => {
    const said = touchingFingers(first("fiddle", at(home, id), "open").notes)
      .map(({ string, fingers: [one, other] }) => `${one}-${other} on ${string}`)
      .join(", ");
    expect(said).toBe(expected);
  });
});

describe("three notes a string", () => {
  test.each([
    ["G", "ionian", 3, "1 2 4 | 1 2 4 | ^1 2 4 | 1 2 4 | ^1 3 4 | 1 3 4"],
    ["G", "ionian", 5, "1 3 4 | 1 2 4 | 1 2 4 | 1 2 4 | ^1 2 4 | 1 2 4"],
    ["Gb", "ionian", 2, "1 2 4 | 1 2 4 | ^1 2 4 | 1 2 4 | ^1 3 4 | 1 3 4"],
    ["A", "phrygian-dominant", 5, "1 2 4 | 1 3 4 | 1 3 4 | ^1 2 4 | 1 2 4 | 1 3 4"],
  ])("of %s %s from fret %i is fingered %s", (home, id, hand, expected) => {
    const position = positions(GUITAR, at(home, id), "three-per-string").find((each) => each.hand === hand);
    expect(position && fingers(position, 6)).toBe(expected);
  });

  it("no finger takes two frets in a row, and the hand moves between strings alone, in every mode on every home", () => {
    for (const each of SEVEN)
      for (const sound of HOMES)
        for (const { notes } of positions(
          GUITAR,
          { home: bestHome(sound, each), mode: each },
          "three-per-string",
        ))
          for (const [n, note] of notes.entries()) {
            const before = notes[n - 1];
            if (!before || before.string !== note.string) continue;
            expect(note.finger).toBeGreaterThan(before.finger);
            expect(note.isShift).toBe(false);
          }
  });

  it("a whole and a half step are 1-3-4, a half and a whole 1-2-4, two whole ones 1-2-4 stretched", () => {
    const taught: Readonly<Record<string, string>> = { "2 1": "1 3 4", "1 2": "1 2 4", "2 2": "1 2 4" };
    for (const each of SEVEN)
      for (const { notes } of positions(GUITAR, { home: 3, mode: each }, "three-per-string"))
        for (let string = 1; string <= 6; string += 1) {
          const own = notes.filter((note) => note.string === string);
          if (own.some(({ fret }) => fret === 0)) continue;
          const steps = own.slice(1).map(({ fret }, n) => fret - own[n]!.fret);
          expect(own.map(({ finger }) => finger).join(" ")).toBe(taught[steps.join(" ")]);
        }
  });
});

describe("octave pairs", () => {
  it("have one fingering for all pairs, with four notes below and three above, and with three below and four above", () => {
    for (const each of SEVEN)
      for (const sound of HOMES) {
        const all = positions(GUITAR, { home: bestHome(sound, each), mode: each }, "octave-pairs");
        const divisions = new Set(all.map(({ name }) => name.code === "pairs" && name.division.join("+")));
        expect(divisions).toEqual(new Set(["4+3", "3+4"]));
        for (const position of all) {
          const pairs = [position.notes.slice(0, 7), position.notes.slice(7, 14), position.notes.slice(14)];
          const said = pairs
            .filter(({ length }) => length > 0)
            .map((pair) => pair.map(({ finger }) => finger).join(" "));
          expect(new Set(said).size).toBe(1);
        }
      }
  });

  it("slide with the first finger where a string has four notes", () => {
    const [one, other] = positions(GUITAR, at("C", "ionian"), "octave-pairs").filter(
      ({ hand }) => hand === 8,
    );
    expect(one && fingers(one, 6)).toBe("1 ^1 3 4 | 1 2 4 | 1 ^1 3 4 | 1 2 4 | ^1 ^1 3 4 | 1 2 4");
    expect(other && fingers(other, 6)).toMatch(/^1 2 4 \| /u);
  });
});

describe("the five boxes of a guitar", () => {
  const SHAPE_HOMES = { E: [0, 2], D: [2, 5], C: [5, 7], A: [7, 9], G: [9, 12] } as const;

  it("lie within five frets and hold the homes of their shape, in every mode on every home", () => {
    for (const each of SEVEN)
      for (const sound of HOMES) {
        const homeMode = { home: bestHome(sound, each), mode: each };
        const all = positions(GUITAR, homeMode, "five-positions");
        expect(all.length).toBeGreaterThanOrEqual(5);
        for (const { notes, fromFret, toFret, name } of all) {
          expect(toFret - fromFret).toBeLessThanOrEqual(4);
          if (name.code !== "shape") throw new Error("a box without a shape");
          const low = (soundOf(homeMode.home) + 12 - 4) % 12;
          const homes = notes
            .filter(({ interval }) => interval === 0)
            .map(({ fret }) => (fret - low + 24) % 12);
          expect(homes).toEqual(expect.arrayContaining(SHAPE_HOMES[name.shape].map((fret) => fret % 12)));
        }
      }
  });

  it("come in the order of the open chords, the same an octave higher, for tunings like a guitar's too", () => {
    const said = (id: string, home: string) =>
      positions(tuningOf(id), at(home, "ionian"), "five-positions")
        .map(({ name }) => (name.code === "shape" ? name.shape : "?"))
        .join("");
    expect(said("guitar", "C")).toBe("CAGEDCAGE");
    expect(said("guitar/half-step-down", "B")).toBe("CAGEDCAGE");
    expect(said("guitar-7", "E")).toMatch(/^EDCAGEDCA/u);
    expect(said("bass", "E")).toMatch(/^\?{5,}$/u);
    expect(said("guitar/dadgad", "D")).toMatch(/^\?+$/u);
  });
});
