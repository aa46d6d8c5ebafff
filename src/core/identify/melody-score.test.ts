import { describe, expect, it, test } from "vitest";
import { readNotes } from "@/formats";
import { fifthsOf, soundOf } from "../pitch";
import { mode } from "../scale";
import { hearBars } from "./bars-heard";
import { hearMelody } from "./melody-hearing";
import { melodyScore, type MelodyTerm, melodyTerms, scoredMode } from "./melody-score";
import { DEGREE_TABLES, FLAGS, TRIAD_ROW } from "./tune-evidence";

const heard = (notes: string) => hearMelody(readNotes(notes).value)!;
const terms = (notes: string, home: string, id: string) =>
  melodyTerms(heard(notes), scoredMode(mode(id)), soundOf(fifthsOf(home)));
const term = (name: MelodyTerm, notes: string, home: string, id: string) => terms(notes, home, id)[name];

const { sounding, lastResting, lastRunning, sectionsResting, openingBars, firstDownbeat, lowest } =
  DEGREE_TABLES;

describe("each term of the score of one voice", () => {
  it("sounding: shares of time by degree, a short tune less than one of forty notes", () => {
    // Half C, half G, in C major; 4 notes of 40.
    expect(term("sounding", "C4:2 G4:1 G4 ||", "C", "ionian")).toBeCloseTo(
      (3 / 40) * (0.5 * sounding.major[0] + 0.5 * sounding.major[4]),
    );
    const long = Array.from({ length: 20 }, () => "C4:1 G4").join(" | ");
    expect(term("sounding", `${long} ||`, "C", "ionian")).toBeCloseTo(
      0.5 * sounding.major[0] + 0.5 * sounding.major[4],
    );
  });

  it("last: a last note that is longer than its fellows rests, a short one off the beat runs on", () => {
    expect(term("last", "C4:1 D E F | E:1 D C:2 ||", "C", "ionian")).toBeCloseTo(lastResting.major[0]);
    expect(term("last", "C4:1 D E F | E:1 D C:1 B3:0.5 D4:0.5 ||", "C", "ionian")).toBeCloseTo(
      lastRunning.major[1],
    );
    expect(term("last", "A4:1 B C5 D | C:1 B4 A:2 ||", "A", "aeolian")).toBeCloseTo(lastResting.minor[0]);
  });

  it("sections: what sections before the last end on, and whether all of them end on home", () => {
    const home = "C4:1 E G E | C:4 || D:1 E D B3 | C4:4 ||";
    const away = "C4:1 E G E | D:4 || D:1 E D B3 | C4:4 ||";
    expect(term("sections", home, "C", "ionian")).toBeCloseTo(
      sectionsResting.major[0] + FLAGS.everySection + FLAGS.lastAndSection,
    );
    expect(term("sections", away, "C", "ionian")).toBeCloseTo(sectionsResting.major[1]);
  });

  it("opening: the first whole bar of each section, weighed by stress; a pickup is none", () => {
    const bar = "C4:2 E:2 | G:4 | C:4 ||";
    // C at the barline counts 2 × 1, E on a beat 2 × 0.6.
    const said = (2 * openingBars.major[0] + 1.2 * openingBars.major[2]) / 3.2;
    expect(term("opening", bar, "C", "ionian")).toBeCloseTo(said);
    expect(term("opening", `G3:1 | ${bar}`, "C", "ionian")).toBeCloseTo(said);
  });

  it("first downbeat: the first note of the first whole bar", () => {
    expect(term("firstDownbeat", "G3:1 | C4:2 E:2 | C:4 ||", "C", "ionian")).toBe(firstDownbeat.major[0]);
    expect(term("firstDownbeat", "E4:2 C:2 | C:4 ||", "C", "ionian")).toBe(firstDownbeat.major[2]);
  });

  it("lowest: the degree of the lowest note, in modes with a minor third by their own row", () => {
    expect(term("lowest", "D4:2 A3 | D4:4 ||", "D", "ionian")).toBe(lowest.major[4]);
    expect(term("lowest", "D4:2 A3 | D4:4 ||", "D", "dorian")).toBe(lowest.minor[4]);
  });

  it("triads: bars that outline one, by the degree of its root; over four bars at least", () => {
    // C major, then G major, then bars that outline nothing.
    const notes = "C4:1 E G E | G:1 B D5 B4 | C4:1 D C D | C:1 D C D ||";
    expect(term("triads", notes, "C", "ionian")).toBeCloseTo((TRIAD_ROW[0] + TRIAD_ROW[4]) / 4);
    // A♭ does not have G major.
    expect(term("triads", notes, "Ab", "ionian")).toBeCloseTo((2 * TRIAD_ROW[7]) / 4);
    expect(term("triads", "C4:1 E G E ||", "C", "ionian")).toBeCloseTo(TRIAD_ROW[0] / 4);
  });

  it("outside: notes that the mode lacks, the half step below home in minor for less", () => {
    const notes = "A4:1 G# A B | C5:1 B4 A G# | A:1 C5 E D | C:1 B4 A:2 ||";
    const minor = term("outside", notes, "A", "aeolian");
    // G♯ sounds more than a twentieth of the time: in full, but for being the leading tone.
    expect(minor).toBeCloseTo(-FLAGS.outside * 0.3 - FLAGS.outsideCount);
    expect(term("outside", notes, "E", "phrygian")).toBeCloseTo(-FLAGS.outside - FLAGS.outsideCount);
    expect(term("outside", notes, "A", "harmonic-minor")).toBeCloseTo(0);
  });

  it("missing: notes of the mode that never sound", () => {
    expect(term("missing", "C4 D E F G A B C5", "C", "ionian")).toBeCloseTo(0);
    expect(term("missing", "C4 D E G A C5", "C", "ionian")).toBeCloseTo(-2 * FLAGS.missing);
  });

  it("closed: rests on home at the end, with nothing that does not belong but what only leans", () => {
    const tune = "C4:1 D E F | G:1 E D B3 | C4:4 ||";
    expect(term("closed", tune, "C", "ionian")).toBe(FLAGS.closed);
    expect(term("closed", tune, "G", "ionian")).toBe(0);
    expect(term("closed", "C4:1 D E F | F#:1 E D B3 | C4:4 ||", "C", "ionian")).toBe(0);
    expect(term("closed", "C4:1 D E F | G:1 F# G B3 | C4:4 ||", "C", "ionian")).toBe(FLAGS.closed);
  });

  it("exact: all seven notes, and no other", () => {
    const tune = "C4:1 D E F | G:1 A B C5 | C:4 ||";
    expect(term("exact", tune, "C", "ionian")).toBe(FLAGS.exact);
    expect(term("exact", tune, "D", "dorian")).toBe(FLAGS.exact);
    expect(term("exact", "C4:1 D E F | G:1 A G C5 | C:4 ||", "C", "ionian")).toBe(0);
  });

  it("settled: many signs of home at once count for more than one by one, but not where a tune opens elsewhere", () => {
    const lydian = "F4:2 A:1 B | C5:2 A4:2 | G:2 F:2 | F:4 | A4:2 B:1 C5 | D:2 B4:2 | A:1 G F E | F:4 ||";
    expect(term("settled", lydian, "F", "lydian")).toBeGreaterThan(2);
    expect(term("settled", lydian, "C", "ionian")).toBe(0);
    const roundAgain =
      "D4:1 F# A F# | B:1 A F# E | G:2 E:2 | A:4 | D4:1 F# A F# | B:1 A F# E | D:1 E F# G | A:4 ||";
    expect(term("settled", roundAgain, "A", "mixolydian")).toBe(0);
    expect(term("settled", "E4:1 F G A B C5 D E", "E", "phrygian")).toBeGreaterThan(5);
  });

  it("add up to the score", () => {
    const [notes, scored] = ["D4:1 F A F | G:1 E D:2 ||", scoredMode(mode("dorian"))];
    const sum = Object.values(melodyTerms(heard(notes), scored, 2)).reduce((a, b) => a + b, 0);
    expect(melodyScore(heard(notes), scored, 2)).toBeCloseTo(sum);
  });
});

describe("bars as they are heard", () => {
  it("stresses the barline most, then the beats, a pickup where it stands in its bar", () => {
    const { stress } = hearBars(readNotes("G4:1 | C5:1 D:0.5 E F:1 G | C:4 ||").value);
    expect(stress).toEqual([0.6, 1, 0.6, 0.3, 0.6, 0.6, 1]);
  });

  test.each([
    // A bar of three quarters is in two where its middle is struck, in three otherwise.
    ["C4:1.5 E:1.5 | G:1.5 E:1.5 | C:3 ||", 0.6],
    ["C4:1 D:1 E:1 | G:1 F:1 E:1 | C:3 ||", 0.6],
  ])("%s: the second note of a bar stands on a beat", (notes, stress) => {
    const { opening } = heard(notes);
    const [one, other] = notes.startsWith("C4:1.5") ? [1.5, 1.5] : [1, 1];
    const second = notes.startsWith("C4:1.5") ? 4 : 2;
    const whole = notes.startsWith("C4:1.5") ? one + other * stress : one + other * stress + stress;
    expect(opening[second]).toBeCloseTo((other * stress) / whole);
  });

  it("a short bar after the end of a section is a pickup, and opens no section", () => {
    const { firstDownbeat: first, opening } = heard("G4:1 | C5:4 | C5:3 || G4:1 | E4:4 | C:3 ||");
    expect(first).toBe(1);
    expect([opening[0], opening[4], opening[7]]).toEqual([0.5, 0.5, 0]);
  });
});
