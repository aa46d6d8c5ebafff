import { describe, expect, it } from "vitest";
import { fifthsOf, printName } from "../pitch";
import { mode, SEVEN } from "../scale";
import { newThing, nextTempo } from ".";

describe("the tempo that a thing begins with", () => {
  it.each([
    ["never practised", undefined, 80],
    ["where it ended", { tempoAsked: 80, tempo: 112, felt: "right" }, 112],
    ["a step slower after a hard one", { tempoAsked: 80, tempo: 112, felt: "hard" }, 108],
    ["what was asked for anew since then", { tempoAsked: 60, tempo: 112 }, 80],
    ["from before what was asked was kept", { tempo: 96 }, 96],
    ["not slower than can be set", { tempoAsked: 80, tempo: 31, felt: "hard" }, 30],
  ])("%s", (_, last, tempo) => expect(nextTempo(80, last, 4)).toBe(tempo));
});

describe("something new", () => {
  const after = (home: string, id: string, ...practised: readonly string[]) => {
    const next = newThing(new Set(practised), { home: fifthsOf(home), mode: mode(id) });
    return `${printName(next.home)} ${next.mode.id}`;
  };

  it("is one note away, then further off, then the same a fourth higher", () => {
    expect(after("D", "dorian", "dorian")).toBe("D mixolydian");
    expect(after("D", "dorian", "dorian", "mixolydian")).toBe("D aeolian");
    expect(after("D", "dorian", "dorian", "mixolydian", "aeolian")).toBe("D ionian");
    expect(after("D", "dorian", ...SEVEN.map(({ id }) => id))).toBe("G dorian");
    expect(after("Gb", "lydian", ...SEVEN.map(({ id }) => id))).toBe("B lydian");
  });
});
