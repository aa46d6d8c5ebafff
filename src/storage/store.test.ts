import "fake-indexeddb/auto";
import fc from "fast-check";
import { beforeEach, describe, expect, it, test } from "vitest";
import { COMFORTABLE_STRETCH } from "@/core/instrument";
import {
  browserStore,
  draft,
  type Kept,
  openShelf,
  readBackup,
  type RecordStore,
  settings,
  type ToKeep,
  writeBackup,
} from ".";

const DORIAN: ToKeep = {
  kind: "mode",
  title: "D Dorian",
  words: "the gate at dusk",
  home: "D",
  mode: "dorian",
};
const DEFAULTS = settings.parse({});

let clock = 0;
let ids = 0;
const surroundings = (store: RecordStore) => ({
  store,
  now: () => new Date(Date.UTC(2026, 0, 1) + clock++ * 1000),
  newId: () => `id-${String(ids++).padStart(4, "0")}`,
});

/** A store in memory that keeps what it is given, or refuses all of it. */
function memoryStore(records = new Map<string, unknown>(), refuses = false): RecordStore {
  return {
    read: (key) => Promise.resolve(records.get(key)),
    readAll: (prefix) => Promise.resolve(new Map([...records].filter(([key]) => key.startsWith(prefix)))),
    write: (key, record) =>
      Promise.resolve(refuses ? false : Boolean(records.set(key, structuredClone(record)))),
    remove: (key) => Promise.resolve(records.delete(key)),
  };
}

beforeEach(() => {
  clock = 0;
});

describe("the browser's store", () => {
  it("reads back what was written, last write first in line", async () => {
    const store = browserStore("one");
    await Promise.all([store.write("a", { n: 1 }), store.write("a", { n: 2 }), store.write("b", 3)]);
    expect(await store.read("a")).toEqual({ n: 2 });
    expect([...(await store.readAll("")).keys()].sort()).toEqual(["a", "b"]);
    await store.remove("a");
    expect(await store.read("a")).toBeNull();
  });
});

describe("the Shelf", () => {
  it("keeps, changes, and is there after a reload", async () => {
    const store = browserStore("two");
    const shelf = openShelf(surroundings(store));
    const { id } = shelf.keep(DORIAN);
    shelf.change(id, { title: "The gate", words: "slow" });
    await store.write("settled", true);
    const again = openShelf(surroundings(store));
    await again.load();
    expect(again.$kept.get()).toEqual(shelf.$kept.get());
    expect(again.$kept.get()[0]).toMatchObject({ title: "The gate", words: "slow", home: "D" });
  });

  it("brings back what was deleted, until it is too old", async () => {
    const records = new Map<string, unknown>();
    const shelf = openShelf(surroundings(memoryStore(records)));
    const { id } = shelf.keep(DORIAN);
    shelf.remove(id);
    expect(shelf.$kept.get()[0]?.deletedAt).toBeDefined();
    shelf.bringBack(id);
    expect(shelf.$kept.get()[0]).toMatchObject({ id, title: "D Dorian" });
    expect(shelf.$kept.get()[0]).not.toHaveProperty("deletedAt");
    shelf.remove(id);
    clock += 31 * 86_400;
    await shelf.load();
    expect([shelf.$kept.get().length, records.size]).toEqual([0, 0]);
  });

  it("sets aside what it cannot read and loads the rest", async () => {
    const records = new Map<string, unknown>([
      ["shelf:x", { kind: "mode", version: 99 }],
      ["shelf:y", "nonsense"],
    ]);
    const shelf = openShelf(surroundings(memoryStore(records)));
    shelf.keep(DORIAN);
    await shelf.load();
    expect(shelf.$kept.get()).toHaveLength(1);
    expect([...records.keys()].filter((key) => key.startsWith("quarantine:")).length).toBe(2);
    expect(JSON.parse(await shelf.exportAll(DEFAULTS))).toHaveProperty("quarantine", [
      { kind: "mode", version: 99 },
      "nonsense",
    ]);
  });

  it("goes on in memory when the browser will not save, and says so", async () => {
    const shelf = openShelf(surroundings(memoryStore(new Map(), true)));
    shelf.keep(DORIAN);
    await Promise.resolve();
    await Promise.resolve();
    expect([shelf.$kept.get().length, shelf.$saved.get()]).toEqual([1, false]);
  });

  it("keeps what was put on it while its records were being read", async () => {
    const shelf = openShelf(surroundings(memoryStore()));
    const loading = shelf.load();
    shelf.keep(DORIAN);
    await loading;
    expect(shelf.$kept.get()).toHaveLength(1);
  });

  it("keeps a thing under an id of its own in place of what was there, the first date kept", async () => {
    const records = new Map<string, unknown>();
    const shelf = openShelf(surroundings(memoryStore(records)));
    const words: ToKeep = { kind: "words", title: "Dorian", words: "gate", mode: "dorian", tune: "" };
    const first = shelf.keepAs("words-dorian", words);
    const second = shelf.keepAs("words-dorian", { ...words, words: "old gate", tune: "Orchard Gate" });
    expect(shelf.$kept.get()).toEqual([second]);
    expect([second.keptAt === first.keptAt, second.changedAt > first.changedAt]).toEqual([true, true]);
    const again = openShelf(surroundings(memoryStore(records)));
    await again.load();
    expect(again.$kept.get()).toEqual([second]);
    shelf.remove("words-dorian");
    shelf.bringBack("words-dorian");
    expect(shelf.$kept.get()[0]).toMatchObject({ words: "old gate", tune: "Orchard Gate" });
  });

  it("tells the other tabs which record changed", async () => {
    const told: string[] = [];
    const shelf = openShelf({ ...surroundings(memoryStore()), tell: (id) => told.push(id) });
    const { id } = shelf.keep(DORIAN);
    await Promise.resolve();
    await Promise.resolve();
    expect(told).toEqual([id]);
  });
});

describe("export and import", () => {
  const text = fc.string({ maxLength: 40 });
  const thing: fc.Arbitrary<ToKeep> = fc.oneof(
    fc.record({
      kind: fc.constant("mode" as const),
      title: fc.constantFrom("A", "♭ 𝄫 “b”"),
      words: text,
      home: fc.constantFrom("C#", "Gb"),
      mode: fc.constantFrom("dorian", "altered"),
    }),
    fc.record({
      kind: fc.constant("progression" as const),
      title: fc.constant("Vamp"),
      words: text,
      chords: fc.constantFrom("| Em9 | A13 |", "Dm7 G7"),
    }),
    fc.record({
      kind: fc.constant("tune" as const),
      title: fc.constant("Tune"),
      words: text,
      source: fc.constant("notes" as const),
      text: fc.constantFrom("A4 B4", "C:1"),
    }),
  );

  it("give the same Shelf in an empty browser", async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(thing, { maxLength: 8 }), async (things) => {
        const one = openShelf(surroundings(memoryStore()));
        for (const each of things) one.keep(each);
        const file = await one.exportAll(DEFAULTS);
        const other = openShelf(surroundings(memoryStore()));
        expect(await other.importAll(file)).toMatchObject({ taken: things.length, problems: [] });
        expect(other.$kept.get()).toEqual(one.$kept.get());
        expect(await other.exportAll(DEFAULTS)).toBe(file);
      }),
      { numRuns: 30 },
    );
  });

  it("keep the newer of two, and bring a deleted thing back", async () => {
    const shelf = openShelf(surroundings(memoryStore()));
    const { id } = shelf.keep(DORIAN);
    const old = await shelf.exportAll(DEFAULTS);
    shelf.change(id, { words: "newer" });
    expect((await shelf.importAll(old)).taken).toBe(0);
    expect(shelf.$kept.get()[0]?.words).toBe("newer");
    shelf.remove(id);
    expect((await shelf.importAll(old)).taken).toBe(1);
    expect(shelf.$kept.get()[0]?.deletedAt).toBeUndefined();
  });

  it("leave deleted things out", async () => {
    const shelf = openShelf(surroundings(memoryStore()));
    shelf.remove(shelf.keep(DORIAN).id);
    expect(JSON.parse(await shelf.exportAll(DEFAULTS))).toHaveProperty("shelf", []);
  });

  test.each([
    ["", "not-json"],
    ["{", "not-json"],
    ["[]", "not-a-backup"],
    ['{"format":"other","version":1,"shelf":[]}', "not-a-backup"],
    ['{"format":"shade-backup","version":7,"shelf":[],"settings":{}}', "newer-version"],
  ])("%j is refused: %s", (file, code) => {
    expect(readBackup(file)).toMatchObject({ value: undefined, problems: [{ code }] });
  });

  it("take what can be read and name the rest", () => {
    const good = {
      ...DORIAN,
      version: 1,
      id: "a",
      keptAt: "2026-01-01T00:00:00.000Z",
      changedAt: "2026-01-01T00:00:00.000Z",
    };
    const file = JSON.parse(writeBackup([good as Kept], DEFAULTS, [])) as { shelf: unknown[] };
    file.shelf.push({ ...good, id: "b", mode: "doriann" });
    const { value, problems } = readBackup(JSON.stringify(file));
    expect([value?.shelf.length, value?.quarantine.length, problems[0]?.record]).toEqual([1, 1, 2]);
  });
});

describe("what was under way", () => {
  it("falls back where a record is older or broken, field by field", () => {
    const usual = draft.parse({ version: 1 });
    expect(usual).toMatchObject({
      chords: "",
      shape: "maj9",
      question: { among: 7, claims: [], near: false },
    });
    const broken = draft.parse({
      version: 1,
      chords: "| Em9 |",
      shape: 5,
      question: { among: 99, holds: "C", claims: ["x"] },
    });
    expect(broken).toMatchObject({
      chords: "| Em9 |",
      shape: "maj9",
      question: { among: 7, holds: "C", claims: [] },
    });
    expect(draft.parse({ version: 1, question: "nonsense" }).question).toEqual(usual.question);
  });
});

describe("settings", () => {
  it("fall back field by field", () => {
    expect(settings.parse({ tempo: 9999, theme: "dusk", instrument: "lute", capo: -1 })).toMatchObject({
      version: 1,
      theme: "dusk",
      tempo: 96,
      volume: -18,
      drone: true,
      syllables: "home",
      reference: "by-third",
      comparison: "usual",
      noteNames: "english",
      majorNames: "modes",
      memory: {},
      instrument: "guitar",
      tuning: "guitar/standard",
      capo: 0,
      fromFret: 0,
      toFret: 15,
      stretch: COMFORTABLE_STRETCH,
      system: "five-positions",
      labels: "notes",
      climb: { isOn: false, by: 4, every: 2, to: 160 },
      parts: { line: 0, drone: 0, chord: 0, bass: 0, click: 0 },
    });
  });

  it("keep tunings made by hand, unless they cannot be", () => {
    const own = {
      name: "Low",
      instrument: "guitar",
      strings: "C2 G2 D3 G3 B3 E4",
      frets: 22,
      scaleLength: 648,
    };
    expect(settings.parse({ ownTunings: [own] }).ownTunings).toEqual([own]);
    for (const bad of [
      { ...own, strings: "C2 H3" },
      { ...own, frets: 2 },
      { ...own, instrument: "lute" },
      { ...own, name: "" },
    ])
      expect(settings.parse({ ownTunings: [bad] }).ownTunings).toEqual([]);
  });
});
