import { describe, expect, it } from "vitest";
import { fifthsOf } from "../pitch";
import { mode } from "../scale";
import { askLess } from "./ask-less";
import { readSymbol } from "./read";

const chord = (symbol: string) => {
  const reading = readSymbol(symbol);
  if ("unread" in reading) throw new Error(symbol);
  return reading.chord;
};

describe("what to drop where no mode answers", () => {
  it("is one condition where one will do, the way that leaves most first", () => {
    const ways = askLess({ among: 7, home: 0, claims: ["fifths-perfect", "major-third"] });
    expect(ways.map(({ conditions }) => conditions)).toEqual([
      [{ code: "claim", claim: "fifths-perfect" }],
      [{ code: "claim", claim: "major-third" }],
    ]);
    expect(ways[1]?.found).toBe(1);
    expect(ways[0]?.found).toBeGreaterThan(100);
  });

  it("is the notes, the chords or the home", () => {
    const home = fifthsOf("E");
    const chords = ["Em", "F", "G#"].map(chord);
    expect(askLess({ among: 7, home, chords, holds: [fifthsOf("B")] })).toEqual([
      { conditions: [{ code: "chords" }], found: expect.any(Number) as number },
    ]);
    const fromHome = askLess({
      among: 7,
      home: fifthsOf("F#"),
      holds: [fifthsOf("F#")],
      lacks: [fifthsOf("F#")],
    });
    expect(fromHome.map(({ conditions }) => conditions)).toContainEqual([{ code: "lacks" }]);
  });

  it("is two together where no single one will do", () => {
    const ways = askLess({
      among: "named",
      home: 0,
      claims: ["no-tritone", "own-transposition", "major-third"],
      near: mode("locrian"),
    });
    expect(ways.length).toBeGreaterThan(0);
    expect(new Set(ways.map(({ conditions }) => conditions.length)).size).toBe(1);
  });

  it("is nothing where some answer, or nothing was asked", () => {
    expect(askLess({ among: 7, home: 0, claims: ["major-third"] })).toEqual([]);
    expect(askLess({ among: 7, home: 0 })).toEqual([]);
  });
});
