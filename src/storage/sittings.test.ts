import { describe, expect, it } from "vitest";
import { DEMO_SITTINGS } from "@/demo/sittings";
import { memoryStore } from "../../tests/fixtures/memory-store";
import {
  DEFAULTS,
  mergedSittings,
  openAside,
  openSaving,
  openSittings,
  readBackup,
  SITTING,
  SITTINGS,
  type RecordStore,
  type Sitting,
  type SittingsJournal,
  understand,
  writeBackup,
} from ".";

let clock = 0;
let ids = 0;

/** The record of sittings as one tab has it. */
function tab(store: RecordStore, journal?: SittingsJournal) {
  const saving = openSaving({ patience: 20, pause: 5, longest: 10 });
  const aside = openAside(store, saving);
  const sittings = openSittings({
    store,
    saving,
    aside,
    now: () => new Date(Date.UTC(2026, 10, 1) + clock++ * 1000),
    newId: () => `id-${ids++}`,
    ...(journal ? { journal } : {}),
  });
  const settled = async () => {
    while (saving.$state.get().waiting.size > 0) await new Promise((resolve) => setTimeout(resolve, 2));
  };
  return { sittings, aside, settled };
}

const [demo] = DEMO_SITTINGS as [Sitting];
const ear = { ...demo.ear!, attempts: [] };
const answer = (nth: number) => demo.ear!.attempts[nth]!;
const answered = (sitting: Sitting | undefined) => sitting?.ear?.attempts.map(({ nth }) => nth);

describe("sittings", () => {
  it("are there after a reload with every answer, and go on where they were", async () => {
    const store = memoryStore();
    const one = tab(store);
    const { id } = one.sittings.begin({ title: "Six modes", ear });
    for (const nth of [0, 1])
      one.sittings.change(id, (now) => ({ ear: { ...ear, attempts: [...now.ear!.attempts, answer(nth)] } }));
    await one.settled();
    const again = tab(store);
    await again.sittings.load();
    expect(answered(again.sittings.$all.get()[0])).toEqual([0, 1]);
    expect(again.sittings.$all.get()[0]!.endedAt).toBeUndefined();
  });

  it("lose nothing where the tab is closed before storage has answered", async () => {
    const entries = new Map<string, unknown>();
    const journal = {
      read: () => [...entries.values(), "no sitting"],
      write: (id: string, each: Sitting) => void entries.set(id, each),
      remove: (id: string) => void entries.delete(id),
    };
    const store = memoryStore();
    const one = tab(store, journal);
    const { id } = one.sittings.begin({ title: "Six modes", ear });
    await one.settled();
    expect(entries.size).toBe(0);
    store.set("silent");
    one.sittings.change(id, () => ({ ear: { ...ear, attempts: [answer(0)] } }));
    const again = tab(memoryStore(store.records), journal);
    await again.sittings.load();
    expect(answered(again.sittings.$all.get()[0])).toEqual([0]);
    await again.settled();
    expect(entries.size).toBe(0);
  });

  it("hold what two tabs have answered, each question once", async () => {
    const store = memoryStore();
    const [one, other] = [tab(store), tab(store)];
    const { id } = one.sittings.begin({ title: "Six modes", ear });
    await one.settled();
    await other.sittings.load();
    one.sittings.change(id, () => ({ ear: { ...ear, attempts: [answer(0), answer(1)] } }));
    await one.settled();
    other.sittings.change(id, () => ({ ear: { ...ear, attempts: [answer(0), answer(2)] } }));
    await other.settled();
    await one.sittings.reload(SITTING + id);
    expect(answered(one.sittings.$all.get()[0])).toEqual([0, 1, 2]);
  });

  it("are over when they are ended, and gone where nothing was done in them", () => {
    const { sittings } = tab(memoryStore());
    const [empty, full] = [
      sittings.begin({ title: "A" }),
      sittings.begin({ title: "B", ear: { ...ear, attempts: [answer(0)] } }),
    ];
    for (const { id } of [empty, full]) sittings.end(id);
    const state = (id: string) => {
      const found = sittings.$all.get().find((each) => each.id === id)!;
      return [found.endedAt !== undefined, found.deletedAt !== undefined];
    };
    expect([state(empty.id), state(full.id)]).toEqual([
      [false, true],
      [true, false],
    ]);
  });

  it("that are deleted can be brought back; what can't be read is set aside", async () => {
    const store = memoryStore();
    const one = tab(store);
    const { id } = one.sittings.begin({ title: "A" });
    one.sittings.remove(id);
    await one.settled();
    store.records.set(`${SITTING}bad`, { version: 1, id: "bad" });
    store.records.set(`${SITTING}new`, { version: 9, id: "new" });
    const again = tab(store);
    await again.sittings.load();
    expect(again.sittings.$all.get().map(({ deletedAt }) => deletedAt !== undefined)).toEqual([true]);
    expect(again.aside.$records.get().map(({ why }) => why)).toEqual(["broken", "newer"]);
    again.sittings.bringBack(id);
    expect(again.sittings.$all.get()[0]!.deletedAt).toBeUndefined();
  });

  it("keep a correction made by hand, and the first answer to a question", () => {
    const older = { ...demo, changedAt: "2026-10-05T20:00:00.000Z" };
    const corrected = { ...older, words: "mine", played: [], changedAt: "2026-10-06T20:00:00.000Z" };
    expect(mergedSittings(older, corrected)).toEqual(corrected);
    expect(mergedSittings(corrected, older)).toEqual(corrected);
    const second = { ...answer(0), at: answer(0).at + 1, isRight: !answer(0).isRight };
    const twice = { ...older, ear: { ...demo.ear!, attempts: [second] } };
    expect(mergedSittings(older, twice).ear!.attempts[0]).toEqual(answer(0));
  });

  it("of the demo can all be read, and come back from a backup as they were", () => {
    for (const each of DEMO_SITTINGS) expect(understand(SITTINGS, each)).toEqual({ value: each });
    const file = writeBackup({
      shelf: [],
      settings: DEFAULTS,
      aside: [],
      documents: [],
      sittings: DEMO_SITTINGS,
    });
    const { value, problems } = readBackup(file);
    expect(problems).toEqual([]);
    expect(value!.sittings.toSorted((a, b) => (a.id < b.id ? -1 : 1))).toEqual(
      DEMO_SITTINGS.toSorted((a, b) => (a.id < b.id ? -1 : 1)),
    );
  });

  it("of a file come in once, join what is here, and go out again", async () => {
    const one = tab(memoryStore());
    expect(await one.sittings.takeIn(DEMO_SITTINGS)).toHaveLength(DEMO_SITTINGS.length);
    expect(await one.sittings.takeIn(DEMO_SITTINGS)).toHaveLength(0);
    expect(one.sittings.$all.get()).toHaveLength(DEMO_SITTINGS.length);
    await one.sittings.takeOut(DEMO_SITTINGS);
    expect(one.sittings.$all.get()).toEqual([]);
  });

  it("that can't be read in a file are told of, and the rest comes in", () => {
    const file = JSON.stringify({
      format: "shade-backup",
      version: 3,
      shelf: [],
      settings: {},
      sittings: [demo, { version: 1 }],
    });
    const { value, problems } = readBackup(file);
    expect([value!.sittings.length, problems.length, value!.aside.length]).toEqual([1, 1, 1]);
  });
});
