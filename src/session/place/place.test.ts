// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { printName } from "@/core/pitch";
import { mode } from "@/core/scale";
import "@/features";
import {
  $addressNotices,
  $place,
  $features,
  $hand,
  goTo,
  installFeatures,
  moveBy,
  placeOf,
  setHomeMode,
  setPlace,
  setQuery,
} from "..";
import { patiently } from "../../../tests/fixtures/patiently";

let stopListening: () => void = () => undefined;

const openAt = (path: string) => {
  window.history.replaceState(null, "", path);
  window.dispatchEvent(new PopStateEvent("popstate"));
};
const here = () => {
  const { view, home, mode: selected } = $place.get();
  return `${view} ${printName(home)} ${selected.id}`;
};

beforeEach(() => {
  stopListening = $place.listen(() => undefined);
  openAt("/derive?home=D&mode=dorian");
});
afterEach(() => stopListening());

describe("the place and the address bar", () => {
  it("follow each other", async () => {
    expect(here()).toBe("derive D dorian");
    setPlace({ home: 6 });
    await patiently(() => expect(window.location.search).toBe("?home=F%23&mode=dorian"));
    setHomeMode({ home: -6, mode: mode("lydian") });
    await patiently(() => expect(window.location.search).toBe("?home=Gb&mode=lydian"));
    openAt("/match?home=B&mode=locrian&hand=7.1");
    expect([here(), $hand.get()]).toEqual(["match B locrian", { fret: 7, nth: 1 }]);
    $hand.set({ fret: 3, nth: 0 });
    await patiently(() => expect(window.location.search).toBe("?home=B&mode=locrian&hand=3"));
  });

  it("the address is right before the page is left and before a step, however soon", () => {
    setPlace({ home: 6 });
    window.dispatchEvent(new Event("pagehide"));
    expect(window.location.search).toBe("?home=F%23&mode=dorian");
    setPlace({ mode: mode("lydian") });
    goTo("match");
    expect([window.location.pathname, window.location.search]).toEqual(["/match", "?home=F%23&mode=lydian"]);
  });

  it("a change of view is a step back, a change of mode is not", () => {
    const steps = window.history.length;
    setPlace({ mode: mode("aeolian") });
    expect(window.history.length).toBe(steps);
    goTo("identify");
    expect(window.history.length).toBe(steps + 1);
    expect(window.location.pathname).toBe("/identify");
  });

  it("going to another view leaves notices behind", () => {
    openAt("/match?home=H&mode=dorian");
    expect($addressNotices.get()).toHaveLength(1);
    goTo("derive");
    expect($addressNotices.get()).toEqual([]);
  });

  it("a part of a view is a step, and each view is left where it was", () => {
    goTo("derive", { part: "compare" });
    setQuery("derive", { with: "lydian" });
    goTo("match", { part: "write" });
    expect(window.location.search).toBe("?home=D&mode=dorian&show=write");
    goTo("derive");
    expect(window.location.search).toBe("?home=D&mode=dorian&show=compare&with=lydian");
    setQuery("derive", { with: undefined });
    expect(placeOf("derive")).toEqual({ part: "compare", query: {} });
  });

  it("another feature is its line in the list", () => {
    const before = $features.get();
    const View = () => null;
    installFeatures([
      ...before,
      {
        ...{ id: "jam", name: "Jam", about: "play over it", help: "Play.", parts: ["chart", "task"] },
        ...{ asks: "What is there to play?", picture: "chart", View },
      },
    ]);
    goTo("jam", { part: "task" });
    expect(window.location.pathname + window.location.search).toBe("/jam?home=D&mode=dorian&show=task");
    openAt("/jam?home=E&mode=dorian&show=task");
    expect([here(), placeOf("jam").part]).toEqual(["jam E dorian", "task"]);
    installFeatures(before);
  });

  it("goes brighter and darker until no named mode lies there", () => {
    expect(moveBy("brighter")).toBe(true);
    expect(here()).toBe("derive D mixolydian");
    setPlace({ mode: mode("lydian-augmented-sharp2") });
    expect([moveBy("brighter"), here()]).toEqual([false, "derive D lydian-augmented-sharp2"]);
    let steps = 0;
    while (moveBy("darker") && steps < 20) steps += 1;
    expect(here()).toMatch(/ultralocrian|locrian-double-flat7/);
  });
});
