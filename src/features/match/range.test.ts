import { describe, expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { analyses } from "@/core/progression";
import { placeAtCursor, placesToLoop, rangesToSet } from "./range";

const chart = readChart("| Em9 A13 | D6 | Cmaj7 |").value;

describe("a range of a chart", () => {
  it("is looped where one is marked, otherwise the selected bar", () => {
    expect(placesToLoop(chart, { at: 1, from: 1, to: 1 })).toEqual([0, 1]);
    expect(placesToLoop(chart, { at: 1, from: 1, to: 3 })).toEqual([1, 2, 3]);
    expect(placesToLoop(readChart("").value, { at: 0, from: 0, to: 0 })).toEqual([]);
  });

  it("can be set for as far as the mode goes, for one chord, for all, and for what is marked first", () => {
    const [analysis] = analyses(chart)["fewest-changes"];
    const segment = analysis!.segments[0]!;
    const ids = (from: number, to: number) =>
      rangesToSet({ at: from, from, to }, segment, 3).map(
        ({ id, from: first, to: last }) => `${id} ${first}-${last}`,
      );
    expect(ids(1, 1)).toEqual([`segment ${segment.from}-${segment.to}`, "chord 1-1", "all 0-3"]);
    expect(ids(1, 2)[0]).toBe("range 1-2");
  });

  it("has the cursor in the chord that it stands in or after", () => {
    expect([0, 2, 5, 7, 100].map((offset) => placeAtCursor(chart, offset))).toEqual([undefined, 0, 0, 1, 3]);
  });
});
