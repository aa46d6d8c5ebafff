import { describe, expect, it, test } from "vitest";
import { allNotes } from "@/core/tune";
import { readNotes, readTunes } from "@/formats";
import { fromStaff, mostEngraved, onStaff, printedText } from "@/session/stage/staff-part";
import { readyTune, typedTune } from "./read-tunes";

const ready = async (text: string, name = "") => {
  const typed = typedTune(text, name);
  const { value } = await readTunes(typed);
  return readyTune(value[0]!, typed);
};

describe("what is typed or pasted", () => {
  test.each([
    ["X:1\nK:D\nDEF|", "abc"],
    ["T:Stair\nK:AMix\nABc|", "abc"],
    ["A4 B4 C#5 | D5:2 ||", "notes"],
    ["A4:1 B4:2", "notes"],
    ["", "notes"],
  ])("%j is %s", (text, source) => expect(typedTune(text, "x").source).toBe(source));

  it("is engraved from what it was typed as, with every note placed", async () => {
    const { abc, engraved, saved } = await ready("A4 C#5 E5", "Three");
    expect(abc).toContain("T:Three");
    expect(engraved.notes.map(({ from, to }) => abc.slice(from, to))).toEqual(["A2", "^c2", "e2"]);
    expect(saved).toEqual({ source: "notes", text: "A4 C#5 E5" });
  });

  it("keeps one tune of an ABC book by itself", async () => {
    const { saved } = await ready("X:1\nT:One\nK:C\nCDE|\n\nX:2\nT:Two\nK:D\nDEF|\n");
    expect(saved).toEqual({ source: "abc", text: "X:1\nT:One\nK:C\nCDE|\n\n" });
  });

  it("is engraved as far as a page goes, its notes in the same places", async () => {
    const bar = "A4:1 B4 C5 D5 | ";
    const MOST = mostEngraved(readNotes(bar.repeat(200)).value);
    expect(mostEngraved(readNotes(bar.repeat(100)).value)).toBeGreaterThan(100);
    const { from, engraved, tune } = await ready(bar.repeat(200));
    expect([from, engraved.bars.length, engraved.notes.length]).toEqual([0, MOST, MOST * 4]);
    expect(engraved.notes[17]?.pitch).toEqual(tune.notes[17]?.pitch);
    expect(readNotes(bar).value.notes).toHaveLength(4);
  });

  it("of several voices fewer bars are engraved, and the places of lower voices are found again", async () => {
    const voice = (bar: string) => Array.from({ length: 120 }, () => bar).join("|\n");
    const shown = await ready(
      `X:1\nL:1/4\nV:1\nV:2 clef=bass\nK:C\nV:1\n${voice("cdef")}|\nV:2\n${voice("C,2D,2")}|\n`,
    );
    const { tune, engraved, from } = shown;
    const most = mostEngraved(tune);
    expect([from, engraved.bars.length, engraved.notes.length]).toEqual([0, most, most * 4]);
    const bass = tune.notes.length + 3;
    const [there] = onStaff(shown, [bass]);
    expect(allNotes(engraved)[there!]?.pitch).toEqual(allNotes(tune)[bass]?.pitch);
    expect(fromStaff(shown, there!)).toBe(bass);
    expect(onStaff(shown, [tune.notes.length - 1, allNotes(tune).length - 1])).toEqual([]);
  });

  it("turns to the part of a long tune that has a bar in it, and finds the notes of every voice there", async () => {
    const text = `X:1\nL:1/4\nV:1\nV:2 clef=bass\nK:C\nV:1\n${"cdef|\n".repeat(250)}V:2\n${"C,2D,2|\n".repeat(250)}`;
    const typed = typedTune(text, "Long");
    const [file] = (await readTunes(typed)).value;
    for (const bar of [0, 7, 8, 100, 249, 900]) {
      const shown = readyTune(file!, typed, bar);
      const { tune, engraved, from = NaN } = shown;
      const there = Math.min(bar, 249);
      expect(from).toBeLessThanOrEqual(there);
      expect(there).toBeLessThan(from + engraved.bars.length);
      for (const [place, note] of allNotes(engraved).entries()) {
        const at = fromStaff(shown, place);
        expect(onStaff(shown, [at])).toEqual([place]);
        expect(allNotes(tune)[at]).toMatchObject({ pitch: note.pitch, bar: note.bar + from });
      }
    }
  });

  it("prints all of a long tune, and of a very long one the bars on the staff", async () => {
    const long = await ready("A4:1 B4 C5 D5 | ".repeat(200));
    expect(printedText(long).bars).toBeUndefined();
    expect(
      (await readTunes({ source: "abc", text: printedText(long).text, name: "" })).value[0]?.tune.bars,
    ).toHaveLength(200);
    expect(printedText(await ready("A4:1 B4 C5 D5 | ".repeat(1000))).bars).toEqual({ from: 0, to: 15 });
  });
});
