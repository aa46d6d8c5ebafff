// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import { readStrings } from "@/core/instrument";
import "@/features";
import { BLANK_TUNE, tuneDocument } from "@/features/identify/tune-document";
import { chartDocument } from "@/features/match/chart-document";
import {
  $place,
  $settings,
  $stageBefore,
  changeSettings,
  goTo,
  linkHere,
  openLinked,
  setStageBack,
} from "..";

beforeEach(() => {
  $place.listen(() => undefined);
});

describe("a link", () => {
  it("carries the chart, the stage and the place, and opens beside what is here", async () => {
    const own = {
      name: "Low",
      instrument: "guitar" as const,
      strings: "C2 G2 D3 G3 B3 E4",
      frets: 22,
      scaleLength: 648,
    };
    expect(readStrings(own.strings).problems).toEqual([]);
    goTo("match");
    chartDocument.open({ chords: "| Em9 | A13 |", title: "Lamps" });
    changeSettings({ tuning: "own/Low", ownTunings: [own], capo: 2, labels: "degrees" });
    const link = new URL((await linkHere())!);
    expect(link.search + link.hash.slice(0, 6)).toBe("?home=D&mode=dorian#with=");
    chartDocument.open({ chords: "| C |", title: "Mine" });
    changeSettings({ tuning: "guitar/standard", ownTunings: [], capo: 0, labels: "notes" });
    await openLinked(link);
    expect(chartDocument.$value.get()).toEqual({ chords: "| Em9 | A13 |", title: "Lamps" });
    expect($settings.get()).toMatchObject({ tuning: "own/Low", ownTunings: [own], capo: 2 });
    const id = chartDocument.$id.get();
    await openLinked(link);
    expect(chartDocument.$id.get()).toBe(id);
    // A tuning of the same name that is another one stays.
    changeSettings({ ownTunings: [{ ...own, strings: "D2 A2 D3 G3 B3 E4" }], tuning: "guitar/standard" });
    await openLinked(link);
    expect($settings.get().ownTunings.map(({ name, strings }) => [name, strings])).toEqual([
      ["Low", "D2 A2 D3 G3 B3 E4"],
      ["Low 2", own.strings],
    ]);
    expect($settings.get().tuning).toBe("own/Low 2");
    setStageBack();
    expect([$settings.get().tuning, $settings.get().ownTunings.length, $stageBefore.get()]).toEqual([
      "guitar/standard",
      1,
      undefined,
    ]);
  });

  it("carries a tune with what was set by hand", async () => {
    goTo("identify");
    tuneDocument.open({ ...BLANK_TUNE, text: "A4 B4 C5", home: 3, without: [1] });
    const link = new URL((await linkHere())!);
    tuneDocument.open(BLANK_TUNE);
    await openLinked(link);
    expect(tuneDocument.$value.get()).toMatchObject({ text: "A4 B4 C5", home: 3, without: [1] });
  });

  it.each(["#with=", "#with=%%%", "#with=AAAA", "#with=bnVsbA", "#else"])(
    "that is damaged (%s) changes nothing",
    async (hash) => {
      const before = [chartDocument.$value.get(), tuneDocument.$value.get(), $settings.get()];
      await openLinked(new URL(`http://127.0.0.1/match${hash}`));
      expect([chartDocument.$value.get(), tuneDocument.$value.get(), $settings.get()]).toEqual(before);
    },
  );

  it("of the first version, with chords in its address, opens them as a chart of their own", async () => {
    await openLinked(new URL("http://127.0.0.1/match?home=E&mode=dorian&chords=C7(b9)"));
    expect(chartDocument.$value.get()).toEqual({ chords: "C7(b9)", title: "" });
  });
});
