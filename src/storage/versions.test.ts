import { readFileSync } from "node:fs";
import { describe, expect, it, test } from "vitest";
import { COMFORTABLE_STRETCH } from "@/core/instrument";
import { DEFAULTS, readSettings, SAVED, settingsIn, understand } from ".";

const V1 = JSON.parse(readFileSync("tests/fixtures/records/version-1.json", "utf8")) as Record<
  string,
  unknown
>;

describe("records of every version since 1", () => {
  test.each(Object.entries(V1).filter(([key]) => key.startsWith("shelf:")))(
    "%s is understood",
    (_, record) => {
      const read = understand(SAVED, record);
      expect(read).toHaveProperty("value");
      if (!("value" in read)) return;
      const { keptAt, changedAt, ...rest } = record as Record<string, unknown>;
      expect(read.value).toEqual({
        ...rest,
        version: SAVED.version,
        changedAt,
        savedAt: keptAt,
        revisions: [changedAt],
      });
      // What has been carried over is carried over no further.
      expect(understand(SAVED, read.value)).toEqual(read);
    },
  );

  test.each([
    [undefined, "broken"],
    [null, "broken"],
    ["text", "broken"],
    [[], "broken"],
    [{}, "broken"],
    [{ version: "1" }, "broken"],
    [{ version: 0 }, "broken"],
    [{ version: 1 }, "broken"],
    [{ version: 1.5, kind: "mode" }, "broken"],
    [{ version: SAVED.version + 1 }, "newer"],
    [{ version: 1e9, kind: "mode" }, "newer"],
  ])("%j is %s", (record, why) => expect(understand(SAVED, record)).toEqual({ why }));
});

describe("settings", () => {
  test.each([undefined, null, 5, "dark", [], [1], true])("out of %j are the usual ones", (record) =>
    expect(readSettings(record)).toEqual(DEFAULTS),
  );

  it("of version 1 are all there", () =>
    expect(readSettings(V1.settings)).toMatchObject({
      ...(V1.settings as Record<string, unknown>),
      version: 3,
      theme: "dark",
    }));

  it.each([
    ["position", { texture: "shown", division: "position" }],
    ["line", { texture: "shown", division: "line" }],
    ["vamp", { texture: "vamp", division: "voicing" }],
  ])("of version 2 play %s as before", (texture, now) =>
    expect(readSettings({ version: 2, texture, division: "voicing" })).toMatchObject(now),
  );

  it("of version 1 have the names of today", () => {
    const old = { version: 1, theme: "day", bands: "fewest-turns", signalWay: "throughout" };
    const now = { theme: "light", bands: "fewest-changes", targetWay: "throughout" };
    expect(readSettings(old)).toMatchObject(now);
    expect(settingsIn(old)).toEqual(now);
  });

  it("fall back field by field", () => {
    expect(readSettings({ tempo: 9999, theme: "dark", instrument: "lute", capo: -1 })).toMatchObject({
      theme: "dark",
      tempo: 96,
      volume: -18,
      instrument: "guitar",
      capo: 0,
      stretch: COMFORTABLE_STRETCH,
      climb: { isOn: false, by: 4, every: 2, to: 160 },
    });
    const own = {
      name: "Low",
      instrument: "guitar",
      strings: "C2 G2 D3 G3 B3 E4",
      frets: 22,
      scaleLength: 648,
    };
    expect(readSettings({ ownTunings: [own] }).ownTunings).toEqual([own]);
    for (const bad of [{ strings: "C2 H3" }, { frets: 2 }, { instrument: "lute" }, { name: "" }])
      expect(readSettings({ ownTunings: [{ ...own, ...bad }] }).ownTunings).toEqual([]);
  });

  it("out of a file are those that it brings and that can be read, and no others", () => {
    expect(settingsIn({ theme: "dark", tempo: "fast", volume: -20, hat: 1 })).toEqual({
      theme: "dark",
      volume: -20,
    });
    for (const none of [5, null, [], {}]) expect(settingsIn(none)).toEqual({});
  });
});
