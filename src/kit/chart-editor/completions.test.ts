import { describe, expect, it } from "vitest";
import { readSymbol } from "@/core/chord";
import { fifthsOf } from "@/core/pitch";
import { mode, SEVEN } from "@/core/scale";
import { completionsFor } from ".";

const at = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });

describe("completion in a chart", () => {
  it("offers chords of the mode with their numerals first, then kinds on the root that is typed", () => {
    const found = completionsFor("| Em9 | A", at("E", "dorian"), []);
    expect(found[0]).toEqual({ label: "Em", detail: "i in E Dorian" });
    expect(found.find(({ label }) => label === "A7")?.detail).toBe("IV in E Dorian");
    expect(found.some(({ label }) => label === "A13")).toBe(true);
    expect(found.some(({ label }) => label === "A7alt")).toBe(true);
    expect(new Set(found.map(({ label }) => label)).size).toBe(found.length);
  });

  it("offers nothing that could not be read, in any key", () => {
    for (const home of ["Gb", "C#", "D"])
      for (const { label } of completionsFor("| Bb", at(home, "phrygian"), []))
        expect(["chord" in readSymbol(label), label]).toEqual([true, label]);
  });

  it("offers modes after a brace, sections after a bracket, chords where nothing is typed, and nothing in a word", () => {
    expect(completionsFor("| {E", at("D", "dorian"), SEVEN)[2]?.label).toBe("{E Dorian}");
    expect(completionsFor("{", at("D", "dorian"), SEVEN)[1]?.label).toBe("{D Ionian}");
    expect(completionsFor("[Ve", undefined, [])[1]?.label).toBe("[Verse]");
    expect(completionsFor("| ", at("D", "dorian"), [])[0]?.label).toBe("Dm");
    expect(completionsFor("| ", undefined, [])).toEqual([]);
    expect(completionsFor("| zzz", at("D", "dorian"), [])).toEqual([]);
  });
});
