// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { fifthsOf, midiOf } from "@/core/pitch";
import { GUITAR, position } from "@/core/instrument";
import { mode } from "@/core/scale";
import { Neck } from "./Neck";

afterEach(cleanup);

const dorian = { home: fifthsOf("D"), mode: mode("dorian") };
const hand = position(GUITAR, dorian, 5);

function shown(part: Partial<Parameters<typeof Neck>[0]> = {}) {
  const { container } = render(
    <Neck
      tuning={GUITAR}
      homeMode={dorian}
      hand={hand}
      lit={[fifthsOf("B")]}
      unknown={[]}
      targets={[]}
      sounding={[]}
      {...part}
    />,
  );
  return container;
}

describe("the neck", () => {
  it("sets the hand's plates apart from the rest, and lights the colour notes", () => {
    const neck = shown();
    expect(neck.querySelectorAll("[data-hand]")).toHaveLength(hand.length);
    expect(neck.querySelectorAll("[data-hand][data-lit]")).toHaveLength(3);
    expect(neck.querySelectorAll("text[data-marked]")).toHaveLength(6);
  });

  it("says the same in words, lowest string first", () => {
    shown();
    expect(screen.getByRole("img").getAttribute("aria-label")).toBe(
      "D Dorian on the neck. String 6: 5 A (5), 7 B (6), 8 C (♭7). String 5: 5 D (1), 7 E (2), 8 F (♭3). String 4: 5 G (4), 7 A (5). String 3: 4 B (6), 5 C (♭7), 7 D (1). String 2: 5 E (2), 6 F (♭3), 8 G (4). String 1: 5 A (5), 7 B (6), 8 C (♭7).",
    );
  });

  it("shows what sounds under the hand, and only there", () => {
    const sounding = [midiOf({ name: fifthsOf("D"), octave: 4 })];
    expect(shown({ sounding }).querySelectorAll("[data-sounding]")).toHaveLength(1);
    cleanup();
    expect(shown({ sounding, hand: undefined }).querySelectorAll("[data-sounding]").length).toBeGreaterThan(
      1,
    );
  });

  it("stripes what is open and outlines the chord tones, under any spelling", () => {
    const neck = shown({ unknown: [fifthsOf("F")], targets: [fifthsOf("Ebb")] });
    expect(neck.querySelectorAll("[data-hand][data-unknown]")).toHaveLength(2);
    expect(neck.querySelectorAll("[data-hand] rect").length).toBeGreaterThan(hand.length + 2);
  });
});
