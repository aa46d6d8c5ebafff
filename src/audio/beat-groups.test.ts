import { describe, expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { accented } from "./accents";
import { onKeyboard, accompanied } from "./backing";
import { type BeatGrouping, beatGroups, groupStarts } from "./beat-groups";
import { chartScore } from "./chart-score";
import { heldAs } from "./held-note";
import { withClick } from "./metronome";
import { droneScore, lineScore, modeScore } from "./score";
import { mode } from "@/core/scale";

const grouping = (fives: BeatGrouping["fives"], sevens: BeatGrouping["sevens"]) => ({ fives, sevens });

describe("groups of beats", () => {
  it.each([
    [5, "3+2"],
    [7, "3+2+2"],
    [6, "3+3"],
    [9, "3+3+3"],
    [4, "2+2"],
    [8, "2+2+2+2"],
    [3, "3"],
    [1, "1"],
    [11, "2+2+2+2+3"],
  ])("%i beats fall into %s", (count, text) => {
    const groups = beatGroups(count, grouping("3+2", "3+2+2"));
    expect(groups.join("+")).toBe(text);
    expect(groups.reduce((sum, length) => sum + length, 0)).toBe(count);
    expect(groupStarts(groups)[0]).toBe(0);
  });

  it.each([
    ["7/8 | C |", grouping("3+2", "2+2+3"), "0d 1u 2d 3u 4d 6u"],
    ["7/8 | C |", grouping("3+2", "3+2+2"), "0d 2u 3d 4u 5d 6u"],
    ["5/8 | C |", grouping("2+3", "2+2+3"), "0d 1u 2d 4u"],
    ["5/4 | C |", grouping("3+2", "2+2+3"), "0d 1d 2d 2.5u 3d 4d 4.5u"],
    ["5/4 | C |", grouping("2+3", "2+2+3"), "0d 1d 1.5u 2d 3d 4d 4.5u"],
    ["| C |", grouping("3+2", "2+2+3"), "0d 1d 1.5u 2d 3d 3.5u"],
  ])("%s is strummed as %o", (text, groups, strums) => {
    const { notes } = accompanied(chartScore(readChart(text).value), {
      layout: onKeyboard,
      backing: "strum",
      grouping: groups,
    });
    const chords = notes.filter(({ part }) => part === "chord");
    const found = [...new Set(chords.map(({ at }) => at))].map((at) => {
      // The hand that comes up reaches the highest string first.
      const [first, second] = chords.filter((note) => note.at === at && (note.late ?? 0) < 0.02);
      return `${at}${(first?.midi ?? 0) < (second?.midi ?? 0) ? "d" : "u"}`;
    });
    expect(found.join(" ")).toBe(strums);
  });
});

describe("accents", () => {
  it("lean on the first beat of a bar and on its beats, and leave what says how hard it is struck", () => {
    const { notes } = accented(lineScore([60, 62, 64, 65, 67, 69, 71, 72, 74], "eighths", 0));
    const line = notes.filter(({ part }) => part === "line").map(({ loud }) => loud);
    expect(line).toEqual([0.9, 0.74, 0.8, 0.74, 0.8, 0.74, 0.8, 0.74, 0.9]);
    const soft = {
      ...modeScore({ home: 2, mode: mode("dorian") }, false),
      notes: [{ part: "line", midi: 60, at: 0, length: 1, loud: 0.3 }],
    } as const;
    expect(accented(soft).notes[0]?.loud).toBe(0.3);
  });
});

describe("silent bars", () => {
  const clicked = (round: number) =>
    withClick(
      { notes: [], beats: 16, loops: true },
      { silentBars: { silent: 1, of: 4 }, barsBefore: round * 4 },
    ).notes.map(({ at }) => at);

  it("are the last of every so many, counted through from round to round", () => {
    expect(clicked(0)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
    expect(clicked(1)).toEqual(clicked(0));
    const oneBar = (nth: number) =>
      withClick({ notes: [], beats: 4, loops: true }, { silentBars: { silent: 2, of: 4 }, barsBefore: nth })
        .notes.length;
    expect([0, 1, 2, 3, 4].map(oneBar)).toEqual([4, 4, 0, 0, 4]);
  });
});

describe("a held note", () => {
  const held = (way: Partial<Parameters<typeof heldAs>[1]>) =>
    heldAs(droneScore(2), { notes: "root", register: "middle", diesAway: false, ...way }).notes;

  it("is home, home and fifth, or home and octave, in three registers", () => {
    expect(held({}).map(({ midi }) => midi)).toEqual([50]);
    expect(held({ notes: "fifth", register: "low" }).map(({ midi }) => midi)).toEqual([38, 45]);
    expect(held({ notes: "octaves", register: "high" }).map(({ midi }) => midi)).toEqual([62, 74]);
  });

  it("is struck again at each barline where it dies away, for as long as it is held in all", () => {
    const score = { ...droneScore(2), beats: 12 };
    const long = { ...score, notes: score.notes.map((note) => ({ ...note, at: 1, length: 10 })) };
    const again = heldAs(long, { notes: "root", register: "middle", diesAway: true }).notes;
    expect(again.map(({ at, length }) => [at, length])).toEqual([
      [1, 3],
      [4, 4],
      [8, 3],
    ]);
  });
});
