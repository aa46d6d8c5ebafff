import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { accidentalsOf, fifthsOf, maybePitch, midiOf, type Pitch, printPitch, soundOf } from "../pitch";
import { type HomeMode, holds, mode, SEVEN, USUAL_MODES } from "../scale";
import { evenTune } from "../tune";
import { missingDegrees, moveMelody, movePitch, relativeHome, withinRange } from ".";

const pitches = (text: string): readonly Pitch[] => text.split(" ").map((each) => maybePitch(each)!);
const on = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });

function moved(text: string, from: HomeMode, to: HomeMode): string {
  const { tune } = moveMelody(evenTune(pitches(text), 1), { from, to, missing: "nearest" });
  return tune.notes.map(({ pitch }) => printPitch(pitch)).join(" ");
}

/** Three melodies, each in the seven modes on its own home, worked by hand. */
const PARALLEL: readonly (readonly [mode: string, melody: string])[][] = [
  [
    ["lydian", "D4 E4 F#4 A4 B4 A4 G#4 F#4 E4 C#4 D4"],
    ["ionian", "D4 E4 F#4 A4 B4 A4 G4 F#4 E4 C#4 D4"],
    ["mixolydian", "D4 E4 F#4 A4 B4 A4 G4 F#4 E4 C4 D4"],
    ["dorian", "D4 E4 F4 A4 B4 A4 G4 F4 E4 C4 D4"],
    ["aeolian", "D4 E4 F4 A4 Bb4 A4 G4 F4 E4 C4 D4"],
    ["phrygian", "D4 Eb4 F4 A4 Bb4 A4 G4 F4 Eb4 C4 D4"],
    ["locrian", "D4 Eb4 F4 Ab4 Bb4 Ab4 G4 F4 Eb4 C4 D4"],
  ],
  [
    ["lydian", "C#5 A#4 B#4 C#5 D#5 F##5 G#5 E#5 C#5"],
    ["ionian", "C#5 A#4 B#4 C#5 D#5 F#5 G#5 E#5 C#5"],
    ["mixolydian", "C#5 A#4 B4 C#5 D#5 F#5 G#5 E#5 C#5"],
    ["dorian", "C#5 A#4 B4 C#5 D#5 F#5 G#5 E5 C#5"],
    ["aeolian", "C#5 A4 B4 C#5 D#5 F#5 G#5 E5 C#5"],
    ["phrygian", "C#5 A4 B4 C#5 D5 F#5 G#5 E5 C#5"],
    ["locrian", "C#5 A4 B4 C#5 D5 F#5 G5 E5 C#5"],
  ],
  [
    ["lydian", "Gb4 F4 Gb4 Ab4 Bb4 C5 Db5 Eb5 Gb5"],
    ["ionian", "Gb4 F4 Gb4 Ab4 Bb4 Cb5 Db5 Eb5 Gb5"],
    ["mixolydian", "Gb4 Fb4 Gb4 Ab4 Bb4 Cb5 Db5 Eb5 Gb5"],
    ["dorian", "Gb4 Fb4 Gb4 Ab4 Bbb4 Cb5 Db5 Eb5 Gb5"],
    ["aeolian", "Gb4 Fb4 Gb4 Ab4 Bbb4 Cb5 Db5 Ebb5 Gb5"],
    ["phrygian", "Gb4 Fb4 Gb4 Abb4 Bbb4 Cb5 Db5 Ebb5 Gb5"],
    ["locrian", "Gb4 Fb4 Gb4 Abb4 Bbb4 Cb5 Dbb5 Ebb5 Gb5"],
  ],
];

/** The same melodies on the notes of one parent, C, C♯ and G♭ major: each mode on its own home. Worked by hand. */
const RELATIVE: readonly (readonly (readonly [home: string, mode: string, melody: string])[])[] = [
  [
    ["C", "ionian", "C4 D4 E4 G4 A4 G4 F4 E4 D4 B3 C4"],
    ["D", "dorian", "D4 E4 F4 A4 B4 A4 G4 F4 E4 C4 D4"],
    ["E", "phrygian", "E4 F4 G4 B4 C5 B4 A4 G4 F4 D4 E4"],
    ["F", "lydian", "F4 G4 A4 C5 D5 C5 B4 A4 G4 E4 F4"],
    ["G", "mixolydian", "G4 A4 B4 D5 E5 D5 C5 B4 A4 F4 G4"],
    ["A", "aeolian", "A3 B3 C4 E4 F4 E4 D4 C4 B3 G3 A3"],
    ["B", "locrian", "B3 C4 D4 F4 G4 F4 E4 D4 C4 A3 B3"],
  ],
  [
    ["C#", "ionian", "C#5 A#4 B#4 C#5 D#5 F#5 G#5 E#5 C#5"],
    ["D#", "dorian", "D#5 B#4 C#5 D#5 E#5 G#5 A#5 F#5 D#5"],
    ["E#", "phrygian", "E#5 C#5 D#5 E#5 F#5 A#5 B#5 G#5 E#5"],
    ["F#", "lydian", "F#5 D#5 E#5 F#5 G#5 B#5 C#6 A#5 F#5"],
    ["G#", "mixolydian", "G#5 E#5 F#5 G#5 A#5 C#6 D#6 B#5 G#5"],
    ["A#", "aeolian", "A#4 F#4 G#4 A#4 B#4 D#5 E#5 C#5 A#4"],
    ["B#", "locrian", "B#4 G#4 A#4 B#4 C#5 E#5 F#5 D#5 B#4"],
  ],
  [
    ["Gb", "ionian", "Gb4 F4 Gb4 Ab4 Bb4 Cb5 Db5 Eb5 Gb5"],
    ["Ab", "dorian", "Ab4 Gb4 Ab4 Bb4 Cb5 Db5 Eb5 F5 Ab5"],
    ["Bb", "phrygian", "Bb4 Ab4 Bb4 Cb5 Db5 Eb5 F5 Gb5 Bb5"],
    ["Cb", "lydian", "Cb5 Bb4 Cb5 Db5 Eb5 F5 Gb5 Ab5 Cb6"],
    ["Db", "mixolydian", "Db5 Cb5 Db5 Eb5 F5 Gb5 Ab5 Bb5 Db6"],
    ["Eb", "aeolian", "Eb4 Db4 Eb4 F4 Gb4 Ab4 Bb4 Cb5 Eb5"],
    ["F", "locrian", "F4 Eb4 F4 Gb4 Ab4 Bb4 Cb5 Db5 F5"],
  ],
];

describe("a melody in another mode", () => {
  it.each(PARALLEL.map((rows) => [rows]))("keeps home and takes each degree's new form", (rows) => {
    const home = rows[0]![1].replace(/\d.*/u, "");
    for (const [from, before] of rows)
      for (const [to, after] of rows) expect(moved(before, on(home, from), on(home, to))).toBe(after);
  });

  it.each(RELATIVE.map((rows) => [rows]))(
    "moves along the scale to another home, the octave that is nearer",
    (rows) => {
      const [dorianHome, , dorian] = rows[1]!;
      for (const [home, id, melody] of rows) {
        expect(moved(dorian, on(dorianHome, "dorian"), on(home, id))).toBe(melody);
        expect(moved(melody, on(home, id), on(dorianHome, "dorian"))).toBe(dorian);
      }
    },
  );

  it("keeps a chromatic note at its distance from its degree", () => {
    // C♯ under D in Dorian is a raised 7; so it is in Phrygian on D. F♯ raises the third, and so does G♯ on E.
    expect(moved("D4 C#4 D4", on("D", "dorian"), on("D", "phrygian"))).toBe("D4 C#4 D4");
    expect(moved("F4 F#4 G4", on("D", "dorian"), on("E", "phrygian"))).toBe("G4 G#4 A4");
  });

  it.each([
    // A raised 7 in minor is major's own 7; over another home too, and where it leads is a half step on.
    ["A4 G#4 A4", "A aeolian", "A ionian", "A4 G#4 A4"],
    ["A4 G#4 A4", "A aeolian", "A lydian", "A4 G#4 A4"],
    ["A4 G#4 A4", "A aeolian", "C ionian", "C5 B4 C5"],
    ["D#4 C##4 D#4", "D# aeolian", "D# ionian", "D#4 C##4 D#4"],
    ["Gb4 F4 Gb4", "Gb aeolian", "Gb ionian", "Gb4 F4 Gb4"],
    ["A4 F#4 G#4 A4", "A aeolian", "A mixolydian", "A4 F#4 G#4 A4"],
    // Blue notes in major stay themselves in minor.
    ["C4 Eb4 E4 G4 Bb4 C5", "C mixolydian", "C dorian", "C4 Eb4 Eb4 G4 Bb4 C5"],
    ["C#4 E4 E#4 B4 C#5", "C# ionian", "C# aeolian", "C#4 E4 E4 B4 C#5"],
    // A raised 4 in major is Lydian's own; one below 5 keeps its distance where 4 stays.
    ["C4 F#4 G4", "C ionian", "C lydian", "C4 F#4 G4"],
    ["C4 F#4 G4", "C ionian", "C aeolian", "C4 F#4 G4"],
    ["Gb4 C5 Db5", "Gb ionian", "Gb lydian", "Gb4 C5 Db5"],
    // Named by the mode where that has it by another letter.
    ["C4 C#4 D4", "C ionian", "C phrygian", "C4 Db4 Db4"],
  ])("%s in %s is %s: %s", (before, from, to, after) => {
    const homeMode = (text: string) => on(...(text.split(" ") as [string, string]));
    expect(moved(before, homeMode(from), homeMode(to))).toBe(after);
  });

  it.each([
    ["sound", "G#4 A4 C5 C#5 D5", "G#4 A4 C#5 C#5 D5"],
    ["mode", "G#4 A4 C5 C#5 D5", "G#4 A4 C#5 C#5 D5"],
    ["distance", "D#5 E5", "D#5 E5"],
    ["mode", "D#5 E5", "D5 E5"],
    ["sound", "D#5 E5", "D#5 E5"],
  ] as const)("keeps a note outside the mode as asked, by %s: %s", (chromatic, before, after) => {
    const change = { from: on("A", "aeolian"), to: on("A", "ionian"), chromatic };
    const { tune } = moveMelody(evenTune(pitches(before), 1), change);
    expect(tune.notes.map(({ pitch }) => printPitch(pitch)).join(" ")).toBe(after);
  });

  it.each([
    ["C4 D4 E4 G4 A4 C5", "C major-pentatonic", "C minor-pentatonic", "C4 Eb4 F4 G4 Bb4 C5"],
    ["C4 D4 E4 G4 A4 C5", "C major-pentatonic", "A minor-pentatonic", "A3 C4 D4 E4 G4 A4"],
    ["C#4 D#4 E#4 G#4 A#4", "C# major-pentatonic", "C# minor-pentatonic", "C#4 E4 F#4 G#4 B4"],
    ["Gb4 Ab4 Bb4 Db5 Eb5", "Gb major-pentatonic", "Eb minor-pentatonic", "Eb4 Gb4 Ab4 Bb4 Db5"],
    // A blue third is in the minor one as it is.
    ["C4 Eb4 E4 G4", "C major-pentatonic", "C minor-pentatonic", "C4 Eb4 F4 G4"],
    // Eight notes to eight.
    ["C4 D4 Eb4 F4 Gb4 Ab4 A4 B4", "C diminished", "C dominant-diminished", "C4 Db4 Eb4 E4 F#4 G4 A4 Bb4"],
    // Seven to seven by letter and number alike.
    ["B3 C4 D4 E4 F4 G4 A4 B4", "B locrian", "B ionian", "B3 C#4 D#4 E4 F#4 G#4 A#4 B4"],
  ])("goes note by note between scales of as many notes: %s", (before, from, to, after) => {
    const homeMode = (text: string) => on(...(text.split(" ") as [string, string]));
    expect(moved(before, homeMode(from), homeMode(to))).toBe(after);
    if (!before.includes("Eb4 E4")) expect(moved(after, homeMode(to), homeMode(from))).toBe(before);
  });

  it("is undone exactly between any two seven-note modes, but for chromatic notes that kept their sound", () => {
    const homes = fc.integer({ min: -8, max: 10 });
    const modes = fc.constantFrom(...USUAL_MODES);
    const pitch = fc
      .record({ name: fc.integer({ min: -8, max: 12 }), octave: fc.integer({ min: 2, max: 6 }) })
      .filter(({ name }) => Math.abs(accidentalsOf(name)) < 2);
    fc.assert(
      fc.property(homes, modes, homes, modes, fc.array(pitch, { minLength: 1 }), (h, m, h2, m2, line) => {
        const [from, to] = [
          { home: h, mode: m },
          { home: h2, mode: m2 },
        ];
        for (const each of line) {
          const there = movePitch(each, { from, to });
          const back = movePitch(there.pitch!, { from: to, to: from });
          const [before, after] = [each.name - h, there.pitch!.name - h2];
          const keptSound = there.isChromatic && soundOf(before) === soundOf(after);
          const isKeptBack = back.isChromatic && soundOf(back.pitch!.name - h) === soundOf(after);
          if (!keptSound && !isKeptBack) expect(back.pitch).toEqual(each);
          // A note of the mode is a note of the new one; one outside never becomes a mode's note that sounds elsewhere.
          if (m.intervals.includes(before)) expect(m2.intervals).toContain(after);
          else if (holds(m2.sounds, soundOf(after))) expect(keptSound).toBe(true);
        }
      }),
      { numRuns: 1500 },
    );
  });

  it("finds the home that shares all notes", () => {
    expect(relativeHome(on("D", "dorian"), mode("phrygian"))).toBe(fifthsOf("E"));
    expect(relativeHome(on("C#", "aeolian"), mode("lydian"))).toBe(fifthsOf("A"));
    expect(relativeHome(on("D", "dorian"), mode("altered"))).toBeUndefined();
    for (const each of SEVEN) expect(relativeHome({ home: 3, mode: each }, each)).toBe(3);
  });

  it("follows the rule where the new mode lacks a degree", () => {
    const line = evenTune(pitches("A4 B4 C5 D5 F5 E5 A4"), 1);
    const change = { from: on("A", "aeolian"), to: on("A", "minor-pentatonic") };
    const names = (missing: "nearest" | "drop" | "hold") =>
      moveMelody(line, { ...change, missing }).tune.notes.map(
        ({ pitch, duration }) => `${printPitch(pitch)}:${duration}`,
      );
    // B lies a half step under C, F a half step over E.
    expect(names("nearest")).toEqual(["A4:1", "C5:1", "C5:1", "D5:1", "E5:1", "E5:1", "A4:1"]);
    expect(names("drop")).toEqual(["A4:1", "C5:1", "D5:1", "E5:1", "A4:1"]);
    expect(names("hold")).toEqual(["A4:2", "C5:1", "D5:2", "E5:1", "A4:1"]);
    const { changes } = moveMelody(line, { ...change, missing: "drop" });
    expect(changes.filter(({ isMissing }) => isMissing).map(({ place }) => place)).toEqual([1, 4]);
  });

  it("changes some bars alone, and declares the mode where it begins and ends", () => {
    const line = evenTune(pitches("D4 E4 F4 B4 D4 E4 F4 B4 D4 E4 F4 B4"), 1);
    const { tune, changes } = moveMelody(line, {
      from: on("D", "dorian"),
      to: on("D", "phrygian"),
      missing: "nearest",
      bars: { from: 1, to: 1 },
    });
    expect(changes.filter(({ isMoved }) => isMoved).map(({ place }) => place)).toEqual([5, 7]);
    expect(tune.keys!.map(({ bar, mode: { id } }) => `${bar} ${id}`)).toEqual([
      "0 dorian",
      "1 phrygian",
      "2 dorian",
    ]);
  });

  it("leaves a note that was set by hand as it was set", () => {
    const line = evenTune(pitches("D4 C#4 D4"), 1);
    const { tune, changes } = moveMelody(line, {
      from: on("D", "dorian"),
      to: on("E", "phrygian"),
      missing: "nearest",
      byHand: new Map([[1, maybePitch("D4")!]]),
    });
    expect(tune.notes.map(({ pitch }) => printPitch(pitch))).toEqual(["E4", "D4", "E4"]);
    expect(changes[1]).toMatchObject({ isByHand: true, isChromatic: true });
  });

  it("says which degrees a tune lacks", () => {
    const pears = pitches("D4 F4 A4 G4 E4 C4 D4").map(({ name }) => name - fifthsOf("D"));
    expect(missingDegrees(pears, mode("aeolian"))).toEqual([6]);
  });
});

describe("a melody within a range", () => {
  const notes = evenTune(pitches("E4 A4 E5 C6 E4"), 1).notes;
  it("moves as a whole before it is folded", () => {
    const low = withinRange(notes, { low: 40, high: 76 });
    expect(low).toMatchObject({ octaves: -1, folded: [], outside: [] });
    expect(midiOf(low.notes[0]!.pitch)).toBe(52);
  });
  it("folds single notes, and says which", () => {
    const narrow = withinRange(notes, { low: 62, high: 78 });
    expect(narrow).toMatchObject({ octaves: 0, folded: [3], outside: [] });
    expect(narrow.notes.map(({ pitch }) => printPitch(pitch))).toEqual(["E4", "A4", "E5", "C5", "E4"]);
  });
  it("says what no octave brings in", () => {
    expect(withinRange(notes, { low: 62, high: 66 }).outside).toEqual([1, 3]);
  });
});
