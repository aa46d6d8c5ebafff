// @vitest-environment jsdom
import { afterAll, beforeEach, describe, expect, it, vi } from "vitest";
import { $place, changeSettings, openIn } from "@/session";
import { chartDocument } from "./chart-document";
import type { AnalysesAsked } from "@/workers/messages";
import { read, received } from "@/workers/analyse-chart";
import { $selected, choose, mark, nextKind, rank, step } from "./selected";
import { $analysed } from "./analysed";
import { $onChart } from "./selection";
import { patiently } from "../../../tests/fixtures/patiently";

/** There is no worker here; its job is done in its place. */
vi.mock("@/workers", () => ({
  analyseChart: async (asked: AnalysesAsked) => {
    await Promise.resolve();
    return { answer: received(read(asked)) };
  },
}));

const stops = [$selected.listen(() => undefined), $onChart.listen(() => undefined)];
afterAll(async () => {
  for (const stop of stops) stop();
  // The address follows a frame later.
  await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 10)));
});

const SCENE = "| Em9 | A13 | Cmaj7 | D6 |";

const open = async (chords: string) => {
  openIn("match", chartDocument, { chords, title: "" }, "chart");
  await patiently(() => expect($analysed.get().text).toBe(chords));
};

beforeEach(() => open(SCENE));

describe("what is selected", () => {
  it("is the first chord in the analysis with fewest changes, and steps to the ends and no further", () => {
    expect([$selected.get().chosen, $selected.get().kind]).toEqual([0, "fewest-changes"]);
    for (let times = 0; times < 9; times += 1) step(1);
    expect($selected.get().chosen).toBe(3);
    for (let times = 0; times < 9; times += 1) step(-1);
    expect($selected.get().chosen).toBe(0);
  });

  it("is a range from a mark on, either way, until a chord is chosen by itself", () => {
    choose(2, false);
    mark();
    step(-1);
    expect($selected.get().range).toEqual({ at: 1, from: 1, to: 2 });
    choose(3, true);
    expect($selected.get().range).toEqual({ at: 3, from: 2, to: 3 });
    choose(0, false);
    expect($selected.get().range).toEqual({ at: 0, from: 0, to: 0 });
  });

  it("goes round the kinds, and to the next best of a kind; another text begins with the best", async () => {
    nextKind();
    expect($selected.get().kind).toBe("one-mode");
    const { analyses } = $analysed.get();
    expect($selected.get().analysis).toBe(analyses["one-mode"][0]);
    rank(1);
    expect($selected.get().analysis).toBe(analyses["one-mode"][1]);
    for (let times = 0; times < 9; times += 1) rank(1);
    expect($selected.get().analysis).toBe(analyses["one-mode"].at(-1));
    chartDocument.change({ chords: `${SCENE} Em9 |` });
    await patiently(() => expect($analysed.get().text).toContain("D6 | Em9"));
    expect($selected.get().analysis).toBe($analysed.get().analyses["one-mode"][0]);
  });

  it("stands in the address, where another chart begins anew and words that mean nothing are passed over", async () => {
    choose(2, true);
    nextKind();
    expect($place.get().views.match?.query).toEqual({ chord: "3", mark: "1", by: "one-mode" });
    await open("| Dm7 | G7 | Cmaj7 |");
    expect($selected.get()).toMatchObject({ range: { at: 0, from: 0, to: 0 }, kind: "fewest-changes" });
    for (const chord of ["-3", "x", "2.5", "1e99"]) {
      $place.set({ ...$place.get(), views: { match: { part: "chart", query: { chord, by: "none" } } } });
      expect([0, 2]).toContain($selected.get().chosen);
      expect($selected.get().kind).toBe("fewest-changes");
    }
  });

  it("stays inside a chart that has become shorter, and is nothing in an empty one", async () => {
    changeSettings({ bands: "one-mode" });
    choose(3, false);
    chartDocument.change({ chords: "| Em9 |" });
    await patiently(() => expect($analysed.get().text).toBe("| Em9 |"));
    const { chosen, kind, shown } = $selected.get();
    expect([chosen, kind, shown.length]).toEqual([0, "one-mode", 1]);
    chartDocument.change({ chords: "" });
    await patiently(() => expect($analysed.get().text).toBe(""));
    expect([$selected.get().chosen, $selected.get().segment, $onChart.get()]).toEqual([
      0,
      undefined,
      undefined,
    ]);
    changeSettings({ bands: "all" });
  });
});

describe("what the stage shows of a chart", () => {
  it("is the selected chord under its mode, at once, with its target note", async () => {
    choose(1, false);
    expect($onChart.get()).toMatchObject({ at: 1, targets: expect.arrayContaining([7]) as unknown });
    await open("| Dm | G |");
    expect($onChart.get()?.homeMode.mode.id).toBe("dorian");
  });
});
