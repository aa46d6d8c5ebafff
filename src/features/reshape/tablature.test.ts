import { describe, expect, test } from "vitest";
import { maybeInstrument, tuningOf } from "@/core/instrument";
import { tablatureOf } from "./tablature";

describe("tablature", () => {
  test.each([
    ["guitar", "guitar: E, A, D G B e"],
    ["guitar/drop-d", "guitar: D, A, D G B e"],
    ["guitar/half-step-down", "guitar: _E, _A, _D _G _B _e"],
    ["guitar-12", "guitar: E, A, D G B e"],
    ["mandolin", "mandolin: G, D A e"],
    ["tenor-guitar", "mandolin: C G d a"],
    ["baritone-ukulele", "mandolin: D G B e"],
    // Strings that go back up, bows, low clefs and other numbers of strings have none.
    ["ukulele", undefined],
    ["ukulele/low-g", "mandolin: G, C E A"],
    ["fiddle", undefined],
    ["bass", undefined],
    ["guitar-7", undefined],
  ])("of %s: %s", (id, wanted) => {
    const [instrument = ""] = id.split("/");
    const found = tablatureOf(maybeInstrument(instrument)!, tuningOf(id), 76);
    expect(found && `${found.instrument}: ${found.tuning.join(" ")}`).toBe(wanted);
  });

  test("of keys: none", () =>
    expect(tablatureOf(maybeInstrument("keyboard")!, undefined, 76)).toBeUndefined());

  test("of a tune that goes below the lowest string: none", () => {
    const on = (id: string, lowest: number) =>
      tablatureOf(maybeInstrument(id)!, tuningOf(id), lowest) !== undefined;
    // A guitar is written an octave above its sound, a mandolin as it sounds.
    expect([on("guitar", 52), on("guitar", 51), on("mandolin", 55), on("mandolin", 54)]).toEqual([
      true,
      false,
      true,
      false,
    ]);
    expect([on("baritone-ukulele", 62), on("baritone-ukulele", 59)]).toEqual([true, false]);
  });
});
