import { describe, expect, it, test } from "vitest";
import { midiOf, printPitch } from "../pitch";
import {
  badMeasures,
  GUITAR,
  INSTRUMENTS,
  maybeTuning,
  openSounds,
  ownTuning,
  readStrings,
  runStrings,
  soundRow,
  tuningOf,
} from ".";

describe("instruments", () => {
  test.each([
    ["guitar", "40 45 50 55 59 64"],
    ["guitar/dadgad", "38 45 50 55 57 62"],
    ["guitar/half-step-down", "39 44 49 54 58 63"],
    ["guitar-7", "35 40 45 50 55 59 64"],
    ["guitar-8", "30 35 40 45 50 55 59 64"],
    ["bass", "28 33 38 43"],
    ["bass-5", "23 28 33 38 43"],
    ["bass-6", "23 28 33 38 43 48"],
    ["ukulele", "67 60 64 69"],
    ["mandolin", "55 62 69 76"],
    ["fiddle", "55 62 69 76"],
    ["tenor-banjo", "48 55 62 69"],
    ["tenor-guitar", "48 55 62 69"],
    ["tenor-guitar/dgbe", "50 55 59 64"],
    ["baritone-ukulele", "50 55 59 64"],
  ])("%s is tuned %s", (id, midis) => expect(openSounds(tuningOf(id)).join(" ")).toBe(midis));

  it("all stand, the keyboard without strings, and no other", () => {
    expect(INSTRUMENTS.map(({ id }) => id)).toEqual(
      "guitar guitar-7 guitar-8 guitar-12 bass bass-5 bass-6 ukulele mandolin fiddle tenor-banjo tenor-guitar baritone-ukulele keyboard".split(
        " ",
      ),
    );
    expect(maybeTuning("keyboard")).toBeUndefined();
    expect(maybeTuning("guitar/none")).toBeUndefined();
    expect(() => tuningOf("lute")).toThrow(RangeError);
    expect(tuningOf("guitar-12").doubles).toEqual([12, 12, 12, 12, 0, 0]);
    expect([tuningOf("fiddle").isFretted, tuningOf("fiddle").hand]).toEqual([false, 7]);
  });

  it("say all that the rest asks of them", () => {
    for (const { name, tunings, sound, range } of INSTRUMENTS) {
      expect(name).toMatch(/^[A-Z]/u);
      const names = tunings.map((tuning) => tuning.name);
      expect(new Set(names).size).toBe(names.length);
      const [low, high] = range;
      const opens = tunings.flatMap(openSounds);
      if (opens.length > 0) expect(low).toBe(Math.min(...opens));
      // Its sound has the keys in the middle of it.
      const [lowest, highest] = soundRow(sound === "guitar" ? "steel" : sound).range;
      const middle = (low + high) / 2;
      expect(middle > lowest && middle < highest).toBe(true);
    }
    const named = (id: string) => tuningOf(id).name;
    expect(["fiddle/high-d", "baritone-ukulele/high-d", "guitar/drop-d", "guitar"].map(named)).toEqual([
      "A D A E",
      "high D",
      "drop D",
      "standard tuning",
    ]);
  });

  it("run over the strings that rise", () => {
    const strings = (id: string) => runStrings(tuningOf(id)).map(({ string }) => string);
    expect(strings("guitar")).toEqual([6, 5, 4, 3, 2, 1]);
    expect(strings("ukulele")).toEqual([3, 2, 1]);
    expect(strings("ukulele/low-g")).toEqual([4, 3, 2, 1]);
    expect(runStrings({ ...GUITAR, capo: 3 })[0]).toEqual({ string: 6, open: 43 });
  });
});

describe("a tuning made by hand", () => {
  it("is read with spaces or commas, in ASCII or with signs", () => {
    const { value, problems } = readStrings("Eb2, Ab2 D♭3,Gb3 B♭3 Eb4");
    expect([value.map((pitch) => printPitch(pitch)).join(" "), problems]).toEqual([
      "Eb2 Ab2 Db3 Gb3 Bb3 Eb4",
      [],
    ]);
  });

  test.each([
    ["E2 A2 H3", "string-unread", 6, "H3"],
    ["E A D", "string-unread", 0, "E"],
    ["E2 A12", "string-unread", 3, "A12"],
    ["E2 B9", "string-out-of-range", 3, "B9"],
    ["C-1 E2", "string-out-of-range", 0, "C-1"],
    ["", "string-count", 0, "0"],
    ["E2 ".repeat(13), "string-count", 0, "13"],
  ])("%j is none: %s", (text, code, offset, found) => {
    const { value, problems } = readStrings(text);
    expect(value).toEqual([]);
    expect(problems[0]).toMatchObject({ code, offset, found });
  });

  it("has measures that can be", () => {
    const measures = { frets: 22, scaleLength: 648, capo: 0 };
    expect(badMeasures(measures)).toEqual([]);
    expect(badMeasures({ frets: 22.5, scaleLength: 20, capo: 19 })).toEqual(["frets", "scaleLength", "capo"]);
    expect(badMeasures({ ...measures, capo: -1 })).toEqual(["capo"]);
    expect(badMeasures({ ...measures, scaleLength: NaN })).toEqual(["scaleLength"]);
  });

  it("takes its measures from what is asked and its strings from what was read", () => {
    const made = ownTuning(readStrings("C2 G2").value, { ...tuningOf("guitar"), capo: 3 });
    expect(openSounds(made)).toEqual([39, 46]);
  });

  it("is fingered as its strings and length ask, and keeps a fiddle without frets", () => {
    const fifths = readStrings("C3 G3 D4 A4 E5").value;
    expect(ownTuning(fifths, { frets: 20, scaleLength: 360, capo: 0 }).hand).toBe(7);
    expect(ownTuning(fifths, { frets: 20, scaleLength: 580, capo: 0 }).hand).toBe(4);
    expect(ownTuning(readStrings("E2 A2").value, { frets: 20, scaleLength: 300, capo: 0 }).hand).toBe(4);
    const viola = ownTuning(
      readStrings("C3 G3 D4 A4").value,
      { frets: 19, scaleLength: 370, capo: 0 },
      tuningOf("fiddle"),
    );
    expect([viola.isFretted, viola.id, midiOf(viola.strings[0]!)]).toEqual([false, "own", 48]);
  });
});
