import { describe, expect, it } from "vitest";
import { heardAmong } from "./heardAmong";

describe("the notes that light while something plays", () => {
  it.each([
    ["the pitch itself and not its octaves", [50, 57, 62], [62], [62]],
    ["its note in the octaves that are shown, where the pitch lies elsewhere", [50, 57, 62], [74], [50, 62]],
    ["nothing for a note that isn’t shown at all", [50, 57, 62], [61], []],
    ["every note of a chord", [50, 57, 62], [45, 50], [57, 50]],
    ["nothing in silence", [50, 57, 62], [], []],
  ])("%s", (_, shown, sounding, heard) => {
    expect([...heardAmong(shown, sounding)]).toEqual(heard);
  });
});
