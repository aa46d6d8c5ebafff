import { describe, expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { fifthsOf } from "@/core/pitch";
import type { AnalysisKind, ChartAnalysis } from "@/core/progression";
import { mode } from "@/core/scale";
import { chartAnswerText, kindsText } from "@/words";
import { alikeTogether } from "./lines";

/** An analysis with segments told as "0-3 E dorian". */
const analysis = (kind: AnalysisKind, ...segments: readonly string[]): ChartAnalysis => ({
  kind,
  cost: 0,
  segments: segments.map((told) => {
    const [, from = "0", to = "0", home = "C", id = "ionian"] = /^(\d+)-(\d+) (\S+) (\S+)$/u.exec(told) ?? [];
    return {
      from: Number(from),
      to: Number(to),
      homeMode: { home: fifthsOf(home), mode: mode(id) },
      outside: [],
    };
  }),
});

describe("analyses that come to the same", () => {
  const fewest = analysis("fewest-changes", "0-3 E dorian");
  const one = analysis("one-mode", "0-3 E dorian");
  const each = analysis("chord-by-chord", "0-1 E dorian", "2-3 A mixolydian");

  it("stand in one band, the selected one for all", () => {
    const groups = alikeTogether([fewest, one, each], "one-mode");
    expect(groups.map(({ kinds }) => kinds)).toEqual([["fewest-changes", "one-mode"], ["chord-by-chord"]]);
    expect(groups[0]?.analysis).toBe(one);
    expect(kindsText(groups[0]?.kinds ?? [])).toBe("Fewest changes and one mode");
  });

  it("are apart where the home, the mode or the bars differ", () => {
    for (const other of ["0-3 A dorian", "0-3 E aeolian", "0-2 E dorian"])
      expect(alikeTogether([fewest, analysis("one-mode", other)], "one-mode")).toHaveLength(2);
  });
});

describe("the answer to a whole chart", () => {
  const { value: chart } = readChart("| Em9 | A13 | Em9 | A13 | Cmaj7 | D6 | F#m7b5 B7 | Em |");

  it.each([
    [["0-8 E dorian"], "E Dorian throughout."],
    [["0-3 E dorian", "4-8 E aeolian"], "E Dorian, then E Aeolian from bar 5."],
    [
      ["0-3 E dorian", "4-6 E aeolian", "7-8 E harmonic-minor"],
      "E Dorian, then E Aeolian from bar 5, then E harmonic minor from bar 7.",
    ],
    [
      ["0-1 E dorian", "2-3 A mixolydian", "4-4 C lydian", "5-5 D mixolydian", "6-8 E harmonic-minor"],
      "E Dorian, then A Mixolydian from bar 3, then C Lydian from bar 5, and two more changes.",
    ],
  ])("%j", (segments, text) => {
    expect(chartAnswerText(analysis("fewest-changes", ...segments), chart)).toBe(text);
  });
});
