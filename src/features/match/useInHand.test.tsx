// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { readChart } from "@/core/chord";
import { readings } from "@/core/progression";
import { useInHand } from "./useInHand";

afterEach(cleanup);

const read = (text: string) => {
  const chart = readChart(text).value;
  return { text, chart, readings: readings(chart) };
};

const SCENE = read("| Em9 | A13 | Cmaj7 | D6 |");

const inHand = () => {
  const { result } = renderHook(({ of, bands }) => useInHand(of, bands), {
    initialProps: { of: SCENE, bands: "all" as const },
  });
  return result;
};

describe("what is in hand", () => {
  it("is the first chord in the reading with fewest turns, and steps to the ends and no further", () => {
    const hand = inHand();
    expect([hand.current.chosen, hand.current.kind]).toEqual([0, "fewest-turns"]);
    for (let step = 0; step < 9; step += 1) act(() => hand.current.step(1));
    expect(hand.current.chosen).toBe(3);
    for (let step = 0; step < 9; step += 1) act(() => hand.current.step(-1));
    expect(hand.current.chosen).toBe(0);
  });

  it("is a stretch from a mark on, either way, until a chord is chosen by itself", () => {
    const hand = inHand();
    act(() => hand.current.choose(2, false));
    act(() => hand.current.mark());
    act(() => hand.current.step(-1));
    expect(hand.current.stretch).toEqual({ at: 1, from: 1, to: 2 });
    act(() => hand.current.choose(3, true));
    expect(hand.current.stretch).toEqual({ at: 3, from: 2, to: 3 });
    act(() => hand.current.choose(0, false));
    expect(hand.current.stretch).toEqual({ at: 0, from: 0, to: 0 });
  });

  it("goes round the kinds, and to the next best of a kind and back", () => {
    const hand = inHand();
    act(() => hand.current.nextKind());
    expect(hand.current.kind).toBe("one-mode");
    const best = hand.current.reading;
    act(() => hand.current.rank(1));
    expect(hand.current.reading).toBe(SCENE.readings["one-mode"][1]);
    for (let step = 0; step < 9; step += 1) act(() => hand.current.rank(1));
    expect(hand.current.reading).toBe(SCENE.readings["one-mode"].at(-1));
    act(() => hand.current.startAgain(false));
    expect(hand.current.reading).toBe(best);
  });

  it("stays inside a chart that has become shorter, and knows none in an empty one", () => {
    const { result, rerender } = renderHook(({ of }) => useInHand(of, "one-mode"), {
      initialProps: { of: SCENE },
    });
    act(() => result.current.choose(3, false));
    rerender({ of: read("| Em9 |") });
    expect([result.current.chosen, result.current.kind, result.current.shown.length]).toEqual([
      0,
      "one-mode",
      1,
    ]);
    rerender({ of: read("") });
    expect([result.current.chosen, result.current.segment]).toEqual([0, undefined]);
  });
});
