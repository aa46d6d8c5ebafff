import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it, vi } from "vitest";

/** A fresh page over the same browser: the modules anew, the records as they were. */
async function page() {
  vi.resetModules();
  const [settings, { records }] = await Promise.all([import("./settings"), import("./records")]);
  return { ...settings, records };
}

/** Waits until what was queued has been written. */
const settle = async (records: { write: (key: string, record: unknown) => Promise<boolean> }) =>
  records.write("settled", true);

beforeEach(async () => {
  const { records } = await page();
  for (const key of ["settings", "draft"]) await records.remove(key);
});

describe("settings and drafts", () => {
  it("are there in the next page", async () => {
    const one = await page();
    await one.loadSettings();
    one.changeSettings({ theme: "dusk", tempo: 132 });
    one.changeDraft({ chords: "| Em9 | A13 |" });
    await settle(one.records);
    const next = await page();
    await next.loadSettings();
    expect(next.$settings.get()).toMatchObject({ theme: "dusk", tempo: 132 });
    expect(next.$draft.get().chords).toBe("| Em9 | A13 |");
  });

  it("begin at the safe volume, however loud they were left, and keep a softer one", async () => {
    for (const [left, begins] of [
      [-4, -18],
      [-30, -30],
    ] as const) {
      const one = await page();
      await one.loadSettings();
      one.changeSettings({ volume: left });
      await settle(one.records);
      const next = await page();
      await next.loadSettings();
      expect(next.$settings.get().volume).toBe(begins);
    }
  });

  it("keep what was changed while the records were being read", async () => {
    const one = await page();
    await one.loadSettings();
    one.changeSettings({ theme: "day", tempo: 60 });
    await settle(one.records);
    const next = await page();
    const loading = next.loadSettings();
    next.changeSettings({ theme: "dusk" });
    next.changeDraft({ chords: "C" });
    await loading;
    expect(next.$settings.get()).toMatchObject({ theme: "dusk", tempo: 60 });
    await settle(next.records);
    const last = await page();
    await last.loadSettings();
    expect([last.$settings.get().theme, last.$draft.get().chords]).toEqual(["dusk", "C"]);
  });

  it("fall back where a record is broken", async () => {
    const one = await page();
    await one.records.write("settings", { tempo: "fast", theme: 7, drone: false });
    await one.records.write("draft", "nonsense");
    await one.loadSettings();
    expect(one.$settings.get()).toMatchObject({ tempo: 96, theme: "system", drone: false });
    expect(one.$draft.get().chords).toBe("");
  });
});
