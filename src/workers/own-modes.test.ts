import { describe, expect, it } from "vitest";
import { identify } from "@/core/identify";
import { type Recipe, reshape } from "@/core/reshape";
import { mode } from "@/core/scale";
import { type FileTune, readAbc, readNotes } from "@/formats";
import { collectionJobs } from "./identify-tunes";
import { withOwnModes } from "./own-modes";
import { packFileTune, packTune, unpackFileTune, unpackTune } from "./packed-tune";

describe("what comes back from a worker", () => {
  const tune = readNotes("D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||").value;

  it("is the same as what is found here, its modes the catalogue's own", () => {
    const here = identify(tune)!;
    const there = withOwnModes(
      structuredClone(collectionJobs.identifyLong(structuredClone(packTune(tune)), {})),
    )!;
    expect(there).toEqual(here);
    expect(there.homeMode.mode).toBe(here.homeMode.mode);
    expect(there.undecided?.modes[1]?.mode).toBe(here.undecided?.modes[1]?.mode);
    expect(there.candidates.at(-1)?.homeMode.mode).toBe(here.candidates.at(-1)?.homeMode.mode);
  });

  it("takes a mode that was chosen, though it was copied on the way", () => {
    const about = identify(tune)!.candidates[1]!.homeMode;
    const found = collectionJobs.identifyLong(structuredClone(packTune(tune)), structuredClone({ about }));
    expect(found?.homeMode.mode).toBe(about.mode);
  });

  it("is reshaped there as it is here, whatever the recipe says", () => {
    const from = identify(tune)!.homeMode;
    const recipe: Recipe = {
      ...{ from, to: { home: from.home, mode: mode("phrygian") }, missing: "nearest", chords: "rebuilt" },
      ...{ which: 0, parts: "guitar", byHand: new Map([[2, { name: 0, octave: 5 }]]) },
      harmony: { source: "mode", rhythm: "bar", hasPedal: true, seeksCharacteristic: true },
    };
    const [packed] = structuredClone(
      collectionJobs.reshape(structuredClone(packTune(tune)), structuredClone([recipe])),
    );
    const { tune: moved, ...rest } = packed!;
    expect({ ...withOwnModes(rest), tune: unpackTune(moved) }).toEqual(reshape(tune, recipe));
  });

  it("leaves everything else as it is", () => {
    const kept = { numbers: [1, 2], set: new Set([1]), nothing: undefined, text: "x" };
    expect(withOwnModes(kept)).toEqual(kept);
    expect(withOwnModes(null)).toBeNull();
  });
});

describe("a tune that crosses to another thread", () => {
  const crossed = async (file: FileTune) =>
    unpackFileTune(structuredClone(packFileTune(await Promise.resolve(file))));

  it.each([
    [
      "a melody with chords and phrases",
      'X:1\nT:Gate\nL:1/8\nK:EDor\n"Em"E2 GA "A"B3 ^c|!fermata!d4 __B,2 z2|\n',
    ],
    ["two voices", "X:1\nL:1/4\nK:Gbm\nV:1\nGABc|\nV:2 clef=bass\nG,4|\n"],
  ])("is the same: %s", async (_, abc) => {
    const [written] = (await readAbc(abc)).value;
    const file: FileTune = { tune: written!.tune, written };
    const there = await crossed(file);
    expect(there).toEqual(file);
    expect(there.written?.tune).toBe(there.tune);
  });

  it("has no text where it had none", async () => {
    const tune = readNotes("D4 F A | G F E").value;
    expect(await crossed({ tune })).toEqual({ tune });
  });
});
