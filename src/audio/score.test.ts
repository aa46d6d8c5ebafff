import { describe, expect, it } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { readChart, readSymbol } from "@/core/chord";
import { vamps } from "@/core/progression";
import { mode, notesOf } from "@/core/scale";
import { readAbc, readNotes } from "@/formats";
import {
  alternating,
  chartScore,
  chordedScore,
  clickScore,
  countIn,
  modeScore,
  overBassScore,
  placed,
  type Part,
  ladderScore,
  risingChordScore,
  targetScore,
  swapped,
  type Score,
  swapScore,
  toFollow,
  tuneScore,
  vampScore,
  withClick,
} from ".";

const dorian = { home: fifthsOf("D"), mode: mode("dorian") };
const midis = (score: Score, part: Part) =>
  score.notes.filter((note) => note.part === part).map(({ midi }) => midi);

describe("what is played", () => {
  it("the mode goes up and down over its held home note", () => {
    const score = modeScore(dorian, true);
    expect(midis(score, "line")).toEqual([62, 64, 65, 67, 69, 71, 72, 74, 72, 71, 69, 67, 65, 64, 62]);
    expect(score.notes.filter(({ part }) => part === "drone")).toEqual([
      { part: "drone", midi: 50, at: 0, length: 8 },
    ]);
    expect(midis(modeScore(dorian, false), "drone")).toEqual([]);
    expect([score.beats, score.loops, score.notes[14]?.at, score.notes[14]?.length]).toEqual([
      8,
      false,
      7,
      1,
    ]);
  });

  it("sounds the same for enharmonic homes", () => {
    const on = (home: string) =>
      midis(modeScore({ home: fifthsOf(home), mode: mode("lydian") }, true), "line");
    expect(on("F#")).toEqual(on("Gb"));
  });

  it("the swap changes the one note and nothing else", () => {
    const score = swapScore(dorian, fifthsOf("B") - dorian.home, fifthsOf("Bb") - dorian.home);
    const line = midis(score, "line");
    const changed = line.slice(15).flatMap((midi, at) => (midi === line[at] ? [] : [[line[at], midi]]));
    expect(changed).toEqual([
      [71, 70],
      [71, 70],
    ]);
    expect([score.beats, score.loops]).toEqual([16, true]);
  });

  it("a path goes up each mode in turn over its home, with a mark at each", () => {
    const score = ladderScore(["lydian", "ionian"].map((id) => ({ home: fifthsOf("D"), mode: mode(id) })));
    expect(midis(score, "line")).toEqual([62, 64, 66, 68, 69, 71, 73, 74, 62, 64, 66, 67, 69, 71, 73, 74]);
    expect([score.marks, score.beats]).toEqual([[0, 5], 10]);
    expect(
      score.notes.filter(({ part }) => part === "drone").map(({ midi, at, length }) => [midi, at, length]),
    ).toEqual([
      [50, 0, 5],
      [50, 5, 5],
    ]);
  });

  it("a chord rises note by note as it is voiced, then sounds together", () => {
    const score = risingChordScore(["D", "G", "C"].map(fifthsOf));
    expect(midis(score, "line")).toEqual([50, 55, 60]);
    expect(midis(score, "chord")).toEqual([50, 55, 60]);
    expect([score.beats, score.loops]).toEqual([5.5, false]);
  });

  it("a vamp has a chord to a bar, still to be laid out", () => {
    const score = vampScore(vamps(dorian)[0]!);
    expect(score.chords?.map(({ chord, at, length }) => [chord.root, at, length])).toEqual([
      [fifthsOf("D"), 0, 4],
      [fifthsOf("G"), 4, 4],
    ]);
    expect([score.beats, score.loops]).toEqual([8, true]);
  });

  it("a chart is silent where nothing could be read, and keeps its time", () => {
    const score = chartScore(readChart("| Em9 | ??? | A13/C# D |").value);
    expect(score.beats).toBe(12);
    expect(score.chords?.map(({ at, length }) => [at, length])).toEqual([
      [0, 4],
      [8, 2],
      [10, 2],
    ]);
  });

  it("a chart is played with its repeats, in its meter, with a mark at each chord", () => {
    const score = chartScore(readChart("3/4 |: Em9 |1. A13 :|2. D C || 6/8 G |").value);
    expect([score.beats, score.marks]).toEqual([15, [0, 3, 6, 9, 10.5, 12]]);
    const bar = chartScore(readChart("| Em9 | A13 D |").value, [1, 2]);
    expect([bar.beats, bar.marks]).toEqual([4, [0, 2]]);
  });

  it("a signal note is saved for its chord, or used throughout", () => {
    const chart = readChart("| Em9 | A13 |").value;
    const notes = () => notesOf({ home: fifthsOf("E"), mode: mode("dorian") });
    const signal = { at: 1, note: fifthsOf("C#") } as const;
    const cSharps = (way: "save" | "throughout") =>
      targetScore(chart, [0, 1], { ...signal, way }, notes).notes.filter(
        ({ part, midi }) => part === "line" && midi % 12 === 1,
      );
    expect(cSharps("save").every(({ at }) => at >= 4)).toBe(true);
    expect(cSharps("save")[0]?.at).toBe(4);
    expect(cSharps("throughout").some(({ at }) => at < 4)).toBe(true);
    const line = targetScore(chart, [0, 1], { ...signal, way: "save" }, notes).notes.filter(
      ({ part }) => part === "line",
    );
    expect(line).toHaveLength(16);
  });

  it("a target note outside the mode is practised over its chord in place of the mode's own", () => {
    const chart = readChart("| A7 | E7 |").value;
    const notes = () => notesOf({ home: fifthsOf("A"), mode: mode("mixolydian") });
    for (const way of ["save", "throughout"] as const) {
      const line = targetScore(chart, [0, 1], { at: 1, note: fifthsOf("G#"), way }, notes).notes.filter(
        ({ part }) => part === "line",
      );
      const sounding = (from: number) =>
        line.filter(({ at }) => at >= from && at < from + 4).map(({ midi }) => midi % 12);
      expect(sounding(0)).not.toContain(8);
      expect(sounding(4)[0]).toBe(8);
      expect(sounding(4)).not.toContain(7);
    }
  });

  it("chords in a row over a held bass have a bar each, and the bass alone where there is none", () => {
    const reading = readSymbol("Gmaj9");
    const score = overBassScore(fifthsOf("A"), ["chord" in reading ? reading.chord : undefined, undefined]);
    expect([score.beats, score.marks, score.loops]).toEqual([8, [0, 4], false]);
    expect(score.notes.filter(({ part }) => part === "drone")).toMatchObject([
      { midi: 45, at: 0, length: 8 },
    ]);
    expect(score.chords?.map(({ at, isOverBass }) => [at, isOverBass])).toEqual([[0, true]]);
  });

  it("a tune is played in the beats that are felt, with one degree moved where asked", () => {
    const tune = readNotes("A4:1.5 G4:1.5 | C#5:1.5 G5:1.5").value;
    expect(tune.meter).toEqual({ beats: 3, unit: 4 });
    const plain = tuneScore(tune);
    expect(plain.notes.map(({ midi, at }) => [midi, at])).toEqual([
      [69, 0],
      [67, 1.5],
      [73, 3],
      [79, 4.5],
    ]);
    expect(tuneScore(tune, true)).toEqual(plain);
    const sharp = swapped(tuneScore(tune), { home: fifthsOf("A"), from: -2, to: 5 });
    expect(sharp.notes.map(({ midi }) => midi)).toEqual([69, 68, 73, 80]);
    expect(alternating(plain, sharp)).toMatchObject({ beats: 12, loops: true });
  });

  it("a tune with its repeats and endings, and what lies beneath it", async () => {
    const text = "X:1\nM:2/4\nL:1/4\nV:1\nV:2\nK:C\nV:1\n|:CD|1 EF:|2 GA|]\nV:2\n|:C,2|1 F,2:|2 A,2|]\n";
    const [read] = (await readAbc(text)).value;
    const score = tuneScore(read!.tune, true);
    expect(midis(score, "line")).toEqual([60, 62, 64, 65, 60, 62, 67, 69]);
    expect(midis(score, "chord")).toEqual([48, 53, 48, 57]);
    expect([score.beats, score.notes.at(-1)?.at]).toEqual([8, 6]);
    expect(midis(tuneScore(read!.tune), "line")).toEqual([60, 62, 64, 65, 67, 69]);
  });
});

describe("the metronome", () => {
  const firsts = (score: Score) =>
    withClick(score)
      .notes.filter(({ part }) => part === "click")
      .map(({ midi, at }) => (midi === 76 ? `[${at}]` : String(at)))
      .join(" ");
  const chart = (text: string) => chartScore(readChart(text).value);

  it.each([
    ["| C | G |", "[0] 1 2 3 [4] 5 6 7"],
    ["3/4 | C | G |", "[0] 1 2 [3] 4 5"],
    // Two beats to the bar are felt.
    ["6/8 | C | G |", "[0] 1 [2] 3"],
    ["2/2 | C | G |", "[0] 1 [2] 3"],
    // The first of each group is struck as the first of a bar, more softly.
    ["5/4 | C |", "[0] 1 2 [3] 4"],
    ["7/8 | C |", "[0] 1 [2] 3 [4] 5 6"],
    // The eighths of a 6/8 bar in a chart of quarters keep their length.
    ["| C | 6/8 G |", "[0] 1 2 3 [4] 5.5"],
    ["| C G | F |", "[0] 1 2 3 [4] 5 6 7"],
  ])("%s clicks %s", (text, clicks) => expect(firsts(chart(text))).toBe(clicks));

  it("counts a pickup back from the barline", async () => {
    const [read] = (await readAbc("X:1\nM:3/4\nL:1/4\nK:C\nG | C D E | F3 |]\n")).value;
    expect(firsts(tuneScore(read!.tune))).toBe("0 [1] 2 3 [4] 5 6");
    // Four beats before it: the bar that it belongs to began two beats ago.
    expect(countIn(4, tuneScore(read!.tune)).notes.map(({ midi }) => midi === 76)).toEqual([
      false,
      false,
      true,
      false,
    ]);
  });

  it("counts in so that the first barline falls right, in the meter", () => {
    const accents = (beats: number, text: string) =>
      countIn(beats, chart(text))
        .notes.map(({ midi }) => (midi === 76 ? 1 : 0))
        .join("");
    expect([accents(4, "| C | G |"), accents(3, "3/4 | C | G |"), accents(8, "3/4 | C | G |")]).toEqual([
      "1000",
      "100",
      "00100100",
    ]);
    expect(countIn(2).notes.map(({ at }) => at)).toEqual([0, 1]);
  });

  it("divides beats, more softly, and stands alone", () => {
    const score = chart("6/8 | C |");
    const divided = withClick(score, { parts: 3 }).notes.filter(({ part }) => part === "click");
    expect(divided.map(({ at }) => Math.round(at * 100) / 100)).toEqual([0, 0.33, 0.67, 1, 1.33, 1.67]);
    expect(divided.map(({ loud = 0 }) => loud)).toEqual([1, 0.55, 0.55, 0.8, 0.55, 0.55]);
    const alone = clickScore(score);
    expect([alone.notes.every(({ part }) => part === "click"), alone.chords, alone.loops]).toEqual([
      true,
      undefined,
      true,
    ]);
  });
});

describe("where an instrument plays it", () => {
  const line = (score: Score, low: number, range: readonly [number, number]) =>
    midis(placed(score, low, range), "line");

  it("a mode begins on the lowest home that the instrument plays such lines from, its drone below", () => {
    // A bass from A1, a guitar from A2, a ukulele from C4.
    expect(line(modeScore(dorian, true), 33, [21, 72])[0]).toBe(38);
    expect(line(modeScore(dorian, true), 45, [28, 93])[0]).toBe(50);
    expect(line(modeScore(dorian, true), 60, [48, 96])[0]).toBe(62);
    for (const low of [33, 45, 55, 60]) {
      const score = placed(modeScore(dorian, true), low, [21, 100]);
      expect(Math.min(...midis(score, "drone"))).toBeLessThanOrEqual(Math.min(...midis(score, "line")));
    }
  });

  it("what has its octave keeps it, but for one that the instrument has not", () => {
    const tune = tuneScore(readNotes("A4:1 B4:1 C5:1 A4:1").value);
    expect(line(tune, 45, [28, 93])).toEqual([69, 71, 72, 69]);
    expect(line(tune, 33, [21, 70])).toEqual([57, 59, 60, 57]);
    expect(line(tune, 33, [21, 55])).toEqual([45, 47, 48, 45]);
  });
});

describe("a tune to be followed", () => {
  const tune = readNotes("D4 F:2 A | G:2 z E | D:4 ||").value;
  const homes = [2, 4];
  const rows = homes.map((home) => ({ tune, home }));

  it("has a mark at each note of each row", () => {
    const score = toFollow(rows, false);
    const starts = score.notes.filter(({ part }) => part === "line").map(({ at }) => at);
    expect(score.marks).toEqual(starts);
    expect(starts).toHaveLength(2 * tune.notes.length);
    expect(score.beats).toBe(2 * chordedScore(tune).beats);
  });

  it("to be sung has home held under each row, and only its first note", () => {
    const { notes, chords, marks } = toFollow(rows, true);
    expect(notes.map(({ part }) => part)).toEqual(["line", "drone", "line", "drone"]);
    expect(notes.filter(({ part }) => part === "drone").map(({ midi }) => midi % 12)).toEqual(
      homes.map((home) => (home * 7) % 12),
    );
    expect(chords).toEqual([]);
    expect(marks).toEqual(toFollow(rows, false).marks);
  });
});
