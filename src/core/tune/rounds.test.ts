import { describe, expect, it, test } from "vitest";
import { readNotes } from "@/formats";
import { printPitch } from "../pitch";
import { roundsOf, sectionEnds, stopsShort } from ".";

const EIGHT = "D4:1 F A G | F E D:2 | E:1 G B A | G F E:2 | F:1 A D5 C | B4 A G F | E:1 G F E | D:4";
const OTHER = "A4:1 B C5 D | E D C:2 | B4:1 A G E | F G A:2 | D5:1 C B4 A | G F E:2 | F:1 E D C | D:4";
const tune = (text: string) => readNotes(text).value;
const first = (bars: number) => EIGHT.split(" | ").slice(0, bars).join(" | ");

describe("a tune that goes round", () => {
  test.each([
    ["twice and two bars more", `${EIGHT} | ${EIGHT} | ${first(2)}`, { bars: 8, full: 16, more: 2 }],
    ["twice", `${EIGHT} | ${EIGHT}`, { bars: 8, full: 16, more: 0 }],
    [
      "twice and a bar that is broken off",
      `${EIGHT} | ${EIGHT} | ${first(2)} | E4:1 G`,
      { bars: 8, full: 16, more: 3 },
    ],
    [
      "with another ending once",
      `${EIGHT} | ${EIGHT.replace(/D:4$/u, "C:4")} | ${EIGHT} | ${first(3)}`,
      { bars: 8, full: 24, more: 3 },
    ],
    ["of two parts, twice", `${EIGHT} | ${OTHER} | ${EIGHT} | ${OTHER}`, { bars: 16, full: 32, more: 0 }],
  ])("%s", (_, text, { bars, full, more }) => {
    const found = roundsOf(tune(text));
    expect([found?.bars, found?.full.bars.length, found?.more]).toEqual([bars, full, more]);
    const ends = found?.full.bars.flatMap(({ endsSection }, at) => (endsSection ? [at + 1] : []));
    expect(ends).toEqual(Array.from({ length: full / bars }, (_each, at) => (at + 1) * bars));
  });

  // The last bar of a round is filled by the pickup into the next.
  const CLOSING = "D4:1 E F G | A4:1 G F E | D:1 C D E | F:3 A3:1 | D4:1 E F G | A B C5 A4 | G:1 F E C";
  test.each([
    [
      "stopped in the next round",
      `A3:1 | ${CLOSING} | D4:3 A3:1 | ${CLOSING} | D4:3 A3:1 | D4:1 E F G | A4:1 G`,
    ],
    ["ended", `A3:1 | ${CLOSING} | D4:3 A3:1 | ${CLOSING} | D4:3`],
  ])("with a pickup, each round ends before it: %s", (_, text) => {
    const found = roundsOf(tune(text))!;
    expect(found.bars).toBe(8);
    expect(
      sectionEnds(found.full).map((at) => {
        const { pitch, duration } = found.full.notes[at]!;
        return [printPitch(pitch), duration];
      }),
    ).toEqual([
      ["D4", 3],
      ["D4", 3],
    ]);
    // Its notes are those of the tune, to the end of the last round.
    const all = tune(text).notes;
    for (const [at, note] of found.full.notes.entries())
      expect(note).toMatchObject({ pitch: all[at]?.pitch, onset: all[at]?.onset });
    for (const { bar, onset } of found.full.notes) {
      const { start, length } = found.full.bars[bar]!;
      expect(onset >= start - 1e-9 && onset < start + length).toBe(true);
    }
  });

  test.each([
    ["two parts", `${EIGHT} | ${OTHER}`],
    ["each part twice", `${EIGHT} | ${EIGHT} | ${OTHER} | ${OTHER}`],
    ["one bar again and again", Array.from({ length: 12 }, () => "D4:1 D D D").join(" | ")],
    ["a bar of the beginning at the end", `${EIGHT} | ${first(1)}`],
    ["nothing", ""],
  ])("%s doesn’t", (_, text) => expect(roundsOf(tune(text))).toBeUndefined());
});

describe("a tune that stops in the middle of a phrase", () => {
  test.each([
    [`${EIGHT} | ${first(2)} | E4:1 G`, true],
    [`${EIGHT} || ${first(5)}`, true],
    [`${EIGHT} || ${first(4)}`, false],
    // A long note is an ending wherever it stands.
    [`${EIGHT} || ${first(5)} | D4:4`, false],
    [`${EIGHT} || ${first(6)} | G4:1 D:3`, false],
    // A pickup fills its bar from the end.
    [`D4:1 | ${EIGHT.replace(/D:4$/u, "D:3")}`, false],
    ["D4 F A", false],
    ["", false],
  ])("%s: %s", (text, is) => expect(stopsShort(tune(text))).toBe(is));

  it("is none where its last bars are silent, as those that are left out are", () =>
    expect(stopsShort(tune(`${EIGHT} | z:4 | z:4 | z:4 | z:4`))).toBe(false));
});
