// @vitest-environment jsdom
import { readFileSync } from "node:fs";
import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, test, vi } from "vitest";
import { browserStore } from "@/storage";
import { patiently } from "../../../tests/fixtures/patiently";

/** What a page is made of: the session, every view, and the documents that they work on. */
async function wholePage() {
  await import("@/features");
  const [match, identify, derive, shape, practice] = await Promise.all([
    import("@/features/match/chart-document"),
    import("@/features/identify/tune-document"),
    import("@/features/derive/question-document"),
    import("@/shell/shape/shape-document"),
    import("@/sheets/practice-document"),
  ]);
  return { ...(await import("..")), ...match, ...identify, ...derive, ...shape, ...practice };
}

/** A fresh page over the same browser: the modules anew, the records as they were. */
async function page() {
  vi.resetModules();
  const session = await wholePage();
  await session.start();
  const settled = () => patiently(() => expect(session.saving.$state.get().waiting.size).toBe(0));
  return { ...session, settled };
}

/** An empty browser. */
async function clear() {
  sessionStorage.clear();
  for (const name of ["shade", "shade-documents"]) {
    const store = browserStore(name);
    for (const key of (await store.readAll("")).keys()) await store.remove(key);
  }
}
beforeEach(clear);

const V1 = JSON.parse(readFileSync("tests/fixtures/records/version-1.json", "utf8")) as Record<
  string,
  unknown
>;

describe("a browser", () => {
  it("of version 1 opens with everything that it had", async () => {
    await browserStore("shade").writeAll(new Map(Object.entries(V1)));
    const one = await page();
    expect(one.shelf.$saved.get()).toHaveLength(6);
    expect(one.$settings.get()).toMatchObject({ theme: "dark", tempo: 132, instrument: "mandolin" });
    expect(one.chartDocument.$value.get()).toEqual({ chords: "| Dm7 | G7 |\n| Cmaj7 |", title: "Stairs" });
    expect(one.tuneDocument.$value.get()).toMatchObject({ text: "E4:1 F4 G4 A4 | E4:4 ||", name: "Fox" });
    expect(one.modeQuestion.$value.get()).toMatchObject({ holds: "C E", anyHome: true });
    expect(one.practiceSheet.$value.get()).toMatchObject({ hands: [5], labels: "degrees" });
    expect(one.chordShape.$value.get()).toEqual({ text: "m7" });
    expect(one.aside.$records.get().map(({ from }) => from)).toEqual(["shelf:torn"]);
    await one.settled();
    expect(await one.records.read("draft")).toBeNull();
    const two = await page();
    expect(two.chartDocument.$value.get().title).toBe("Stairs");
    expect(two.modeQuestion.$value.get()).toMatchObject({ holds: "C E" });
    expect(two.aside.$records.get()).toHaveLength(1);
  });

  it("of version 1 is left as it was by a page that has no views", async () => {
    await browserStore("shade").writeAll(new Map(Object.entries(V1)));
    vi.resetModules();
    await import("@/sheets/practice-document");
    const sheet = await import("..");
    await sheet.start();
    await patiently(() => expect(sheet.saving.$state.get().waiting.size).toBe(0));
    expect(await sheet.records.read("draft")).not.toBeNull();
    expect((await page()).chartDocument.$value.get().title).toBe("Stairs");
  });

  it("opens what its address brought along, though the address has followed the screen since", async () => {
    history.replaceState(null, "", "/match?chords=%7C%20Gb%20%7C");
    vi.resetModules();
    const session = await wholePage();
    history.replaceState(null, "", "/match");
    await session.start();
    expect(session.chartDocument.$value.get().chords).toBe("| Gb |");
  });

  const BROKEN = [5, "x", [], {}, { version: 99 }, { version: 1 }, { version: "1", kind: 7 }];
  /** The session with two kinds of documents, and no views: all that these records need. */
  async function plainPage() {
    vi.resetModules();
    await import("@/features/match/chart-document");
    await import("@/features/identify/tune-document");
    const session = await import("..");
    await session.start();
    return session;
  }
  const opens = async (records: ReadonlyMap<string, unknown>, begin: typeof plainPage = plainPage) => {
    await clear();
    await browserStore("shade").writeAll(records);
    const one = await begin();
    expect([one.$ready.get(), one.$storage.get()]).toEqual([true, "open"]);
  };
  test.each([
    ["settings", plainPage],
    ["draft", page],
  ] as const)("opens whatever lies under %s", async (key, begin) => {
    for (const record of BROKEN) await opens(new Map([[key, record]]), begin);
  });
  test.each(["shelf:", "recent:chart:", "recent:tune:", "aside:", "quarantine:"])(
    "opens whatever lies under %s and a name",
    async (key) => opens(new Map(BROKEN.map((record, at) => [`${key}${at}`, record]))),
  );

  it("brings back what was set aside once it can be read", async () => {
    const record = V1["shelf:voicing"];
    await browserStore("shade").write("aside:shelf:voicing", { from: "shelf:voicing", why: "newer", record });
    const one = await page();
    expect(one.shelf.$saved.get().map(({ title }) => title)).toEqual(["Em9 up the neck"]);
    expect(one.aside.$records.get()).toEqual([]);
  });

  it("begins at the safe volume, however loud it was left, and keeps a softer one", async () => {
    for (const [left, begins] of [
      [-4, -18],
      [-30, -30],
    ] as const) {
      const one = await page();
      one.changeSettings({ volume: left });
      await one.settled();
      expect((await page()).$settings.get().volume).toBe(begins);
    }
  });

  it("keeps fields of settings that only a newer version knows", async () => {
    await browserStore("shade").write("settings", { version: 9, tempo: 70, lamp: "green" });
    const one = await page();
    expect([one.$settings.get().tempo, one.aside.$records.get().length]).toEqual([70, 1]);
    one.changeSettings({ tempo: 71 });
    await one.settled();
    expect(await one.records.read("settings")).toMatchObject({ lamp: "green", tempo: 71 });
  });

  it("changes settings in two tabs without either losing its own", async () => {
    const [one, two] = [await page(), await page()];
    one.changeSettings({ theme: "dark" });
    await one.settled();
    two.changeSettings({ tempo: 150 });
    await two.settled();
    expect((await page()).$settings.get()).toMatchObject({ theme: "dark", tempo: 150 });
  });
});
