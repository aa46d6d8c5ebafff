import { describe, expect, it } from "vitest";
import { fifthsOf, printName } from "@/core/pitch";
import { chordNotes, readSymbol } from "@/core/chord";
import { fitOf } from "@/core/progression";
import { mode } from "@/core/scale";
import { chordCells, columnOf, cellsOf } from "./cells";

describe("the strip", () => {
  it("opens the notes of the mode, home first, characteristic notes marked", () => {
    const cells = cellsOf({ home: fifthsOf("D"), mode: mode("dorian") });
    const open = cells.filter(({ note }) => note !== undefined);
    expect(open.map(({ step, note }) => `${step} ${printName(note ?? 0)}`)).toEqual([
      "0 D",
      "2 E",
      "3 F",
      "5 G",
      "7 A",
      "9 B",
      "10 C",
    ]);
    expect(
      open.filter(({ isCharacteristic }) => isCharacteristic).map(({ note }) => printName(note ?? 0)),
    ).toEqual(["B"]);
    expect(cells.filter(({ isHome }) => isHome)).toHaveLength(1);
  });

  it("passes round the right edge when relative", () => {
    expect([columnOf(0, 2), columnOf(9, 2), columnOf(10, 2)]).toEqual([2, 11, 0]);
  });

  it("under a chord has chord tones, characteristic notes, avoid notes, other scale notes and what lies outside", () => {
    const over = (symbol: string) => {
      const reading = readSymbol(symbol);
      if ("unread" in reading) throw new Error(symbol);
      const fit = fitOf(reading.chord, { home: fifthsOf("E"), mode: mode("dorian") });
      return chordCells(fit, chordNotes(reading.chord));
    };
    // Over A13 every note of E Dorian sounds but D, a half step above C♯.
    expect(over("A13")).toEqual([
      "tone",
      "shut",
      "tone",
      "tone",
      "shut",
      "tone",
      "shut",
      "tone",
      "shut",
      "characteristic",
      "avoid",
      "shut",
    ]);
    expect(over("Cmaj7")[8]).toBe("outside");
  });
});
