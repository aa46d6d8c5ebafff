import { describe, expect, it } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { readChart } from "@/core/chord";
import { analyses } from "@/core/progression";
import { mode, SEVEN } from "@/core/scale";
import type { AskedOf } from "./messages";
import { read, received } from "./analyse-chart";
import { ask } from "./ask-modes";

const question = (part: Partial<AskedOf>): AskedOf => ({
  among: 7,
  home: fifthsOf("D"),
  holds: [],
  lacks: [],
  chords: [],
  claims: [],
  ...part,
});

describe("asking all modes off the main thread", () => {
  it("computes all 462 with name, brightness, characteristic notes and neighbours", () => {
    const { found, asked } = ask(question({}));
    expect([found.length, asked]).toEqual([462, 462]);
    expect(found.find(({ id }) => id === "dorian")).toMatchObject({
      name: "Dorian",
      brightness: 0,
      characteristic: [3],
    });
    expect(found.every(({ brighter, darker }) => brighter.length + darker.length > 0)).toBe(true);
  });

  it("crosses to the worker and back as plain values", () => {
    const asked = question({ claims: ["fifths-perfect"], near: "aeolian" });
    const answer = ask(structuredClone(asked));
    expect(structuredClone(answer)).toEqual(answer);
    expect(answer.found.map(({ id }) => id)).toEqual(["dorian"]);
  });

  it("tells what misses least where nothing was found", () => {
    const { found, nearest } = ask(
      question({ home: undefined, holds: ["C", "C#", "D", "D#", "E", "F", "F#", "G"].map(fifthsOf) }),
    );
    expect(found).toEqual([]);
    expect(nearest).toHaveLength(3);
  });
});

describe("reading a chart off the main thread", () => {
  it("crosses as plain values, and has its modes again on this side", () => {
    const asked = { text: "| Em9 | A13 | Cmaj7 |", families: ["major"], most: 3 };
    const answer = read(structuredClone(asked));
    expect(structuredClone(answer)).toEqual(answer);
    const back = received(structuredClone(answer));
    expect(back).toEqual(analyses(readChart(asked.text).value, { scales: SEVEN, most: 3 }));
    expect(back["fewest-changes"][0]?.segments[0]?.homeMode.mode).toBe(mode("dorian"));
  });
});
