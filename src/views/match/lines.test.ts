import { expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { linesOf } from "./lines";

it("lays a chart out in lines of bars, each chord with its place", () => {
  const lines = linesOf(readChart("| Em9 | A13 D7 | G |").value, 2);
  expect(lines.map((line) => line.map((bar) => bar.map(({ at, each }) => `${at} ${each.symbol}`)))).toEqual([
    [["0 Em9"], ["1 A13", "2 D7"]],
    [["3 G"]],
  ]);
  expect(linesOf([], 8)).toEqual([]);
});
