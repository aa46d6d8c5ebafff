import { describe, expect, it } from "vitest";
import { identify } from "@/core/identify";
import { readNotes } from "@/formats";
import { collectionJobs } from "./identify-tunes";
import { withOwnModes } from "./own-modes";

describe("what comes back from a worker", () => {
  const tune = readNotes("D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||").value;

  it("is the same as what is found here, its modes the catalogue's own", () => {
    const here = identify(tune)!;
    const there = withOwnModes(structuredClone(collectionJobs.identifyLong(structuredClone(tune), {})))!;
    expect(there).toEqual(here);
    expect(there.homeMode.mode).toBe(here.homeMode.mode);
    expect(there.undecided?.modes[1]?.mode).toBe(here.undecided?.modes[1]?.mode);
    expect(there.candidates.at(-1)?.homeMode.mode).toBe(here.candidates.at(-1)?.homeMode.mode);
  });

  it("takes a mode that was chosen, though it was copied on the way", () => {
    const about = identify(tune)!.candidates[1]!.homeMode;
    const found = collectionJobs.identifyLong(structuredClone(tune), structuredClone({ about }));
    expect(found?.homeMode.mode).toBe(about.mode);
  });

  it("leaves everything else as it is", () => {
    const kept = { numbers: [1, 2], set: new Set([1]), nothing: undefined, text: "x" };
    expect(withOwnModes(kept)).toEqual(kept);
    expect(withOwnModes(null)).toBeNull();
  });
});
