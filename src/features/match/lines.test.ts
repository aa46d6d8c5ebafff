import { describe, expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { analyses } from "@/core/progression";
import { linesOf, runsOf } from "./lines";

describe("a chart in lines", () => {
  it("has so many bars to a line, and a section on a line of its own", () => {
    const lines = (text: string, most: number) =>
      linesOf(readChart(text).value, most).map((line) =>
        line.map(({ chords }) => chords.map(({ each }) => each.symbol).join(" ")).join(" | "),
      );
    expect(lines("| A | B C | D |", 2)).toEqual(["A | B C", "D"]);
    expect(lines("| A | [Gate] B | C |", 8)).toEqual(["A", "B | C"]);
    expect(lines("", 8)).toEqual([]);
  });

  it("has the segments of an analysis where they lie, over two lines too", () => {
    const chart = readChart("| Em9 | A13 | Em9 A13 | Cmaj7 | D6 | Cmaj7 |").value;
    const [analysis] = analyses(chart)["fewest-changes"];
    const runs = linesOf(chart, 4).map((line) =>
      runsOf(analysis!, line, 4).map(({ left, width, begins, chords }) => [
        left,
        width,
        begins,
        chords.length,
      ]),
    );
    expect(runs).toEqual([
      [
        [0, 0.75, true, 4],
        [0.75, 0.25, true, 1],
      ],
      [[0, 0.5, false, 2]],
    ]);
  });
});
