// @vitest-environment jsdom
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { printName } from "@/core/pitch";
import { mode } from "@/core/scale";
import { $addressNotices, $place, goTo, moveBy, setHomeMode, setPlace } from ".";

let stopListening: () => void = () => undefined;

const openAt = (path: string) => {
  window.history.replaceState(null, "", path);
  window.dispatchEvent(new PopStateEvent("popstate"));
};
const here = () => {
  const { view, home, mode: inHand } = $place.get();
  return `${view} ${printName(home)} ${inHand.id}`;
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
    await vi.waitFor(() => expect(window.location.search).toBe("?home=F%23&mode=dorian"));
    setHomeMode({ home: -6, mode: mode("lydian") });
    await vi.waitFor(() => expect(window.location.search).toBe("?home=Gb&mode=lydian"));
    openAt("/match?home=B&mode=locrian&chords=C");
    expect([here(), $place.get().chords]).toEqual(["match B locrian", "C"]);
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

  it("going to another view leaves the chords of a link and its notices behind", () => {
    openAt("/match?home=H&mode=dorian&chords=C");
    expect($addressNotices.get()).toHaveLength(1);
    goTo("derive");
    expect([$addressNotices.get(), $place.get().chords]).toEqual([[], undefined]);
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
