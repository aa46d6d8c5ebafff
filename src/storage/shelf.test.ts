import "fake-indexeddb/auto";
import { beforeEach, describe, expect, it } from "vitest";
import { memoryStore } from "../../tests/fixtures/memory-store";
import {
  browserStore,
  countStored,
  earlierStates,
  foldersOf,
  foundOn,
  MAX_EARLIER,
  openAside,
  openSaving,
  openShelf,
  readFolder,
  type RecordStore,
  type Saved,
  type ToSave,
} from ".";

const DORIAN: ToSave = { kind: "mode", title: "D Dorian", words: "the gate", home: "D", mode: "dorian" };
const QUICK = { patience: 20, pause: 5, longest: 10 };

let clock = 0;
let ids = 0;
beforeEach(() => {
  clock = 0;
});

/** A Shelf as one tab has it, with what it tells the others. */
function tab(store: RecordStore, copies: Saved[] = []) {
  const saving = openSaving(QUICK);
  const aside = openAside(store, saving);
  const told: string[] = [];
  const shelf = openShelf({
    store,
    saving,
    aside,
    now: () => new Date(Date.UTC(2026, 0, 1) + clock++ * 1000),
    newId: () => `id-${String(ids++).padStart(4, "0")}`,
    copyTitle: (title) => `${title} (from another tab)`,
    tell: (key) => told.push(key),
    onTwice: (copy) => copies.push(copy),
  });
  const settled = async () => {
    while (saving.$state.get().waiting.size > 0) await new Promise((resolve) => setTimeout(resolve, 2));
  };
  return { shelf, saving, aside, told, settled };
}
const titles = ({ shelf }: ReturnType<typeof tab>) =>
  shelf.$saved.get().flatMap(({ title, deletedAt }) => (deletedAt === undefined ? [title] : []));

describe("the Shelf", () => {
  it("saves, changes, and is there after a reload", async () => {
    const store = browserStore("two");
    const one = tab(store);
    const made = one.shelf.save(DORIAN);
    one.shelf.change(made, { title: "The gate", words: "slow" });
    await one.settled();
    const again = tab(store);
    await again.shelf.load();
    expect(again.shelf.$saved.get()).toEqual(one.shelf.$saved.get());
    expect(again.shelf.$saved.get()[0]).toMatchObject({ title: "The gate", words: "slow", home: "D" });
  });

  it("calls nothing saved before storage has said so, and keeps trying", async () => {
    const store = memoryStore();
    const one = tab(store);
    store.set("full");
    const first = one.shelf.save(DORIAN);
    const second = one.shelf.save({ ...DORIAN, title: "Second" });
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(one.shelf.$unsaved.get()).toEqual(new Set([first.id, second.id]));
    expect(one.saving.$state.get().failing.size).toBe(2);
    expect([titles(one).length, store.records.size]).toEqual([2, 0]);
    store.set("well");
    await one.settled();
    expect([one.shelf.$unsaved.get().size, one.saving.$state.get().failing.size]).toEqual([0, 0]);
    expect(store.records.size).toBe(2);
  });

  it("counts what storage has: a deletion only once it is written", async () => {
    const store = memoryStore();
    const one = tab(store);
    const count = () => countStored(one.shelf.$saved.get(), one.shelf.$unsaved.get());
    const made = one.shelf.save(DORIAN);
    expect(count()).toBe(0);
    await one.settled();
    expect(count()).toBe(1);
    store.set("full");
    one.shelf.remove(made.id);
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect([titles(one).length, count()]).toEqual([0, 1]);
    store.set("well");
    await one.settled();
    expect(count()).toBe(0);
  });

  it("brings back what was deleted, until it is too old", async () => {
    const store = memoryStore();
    const one = tab(store);
    const { id } = one.shelf.save(DORIAN);
    one.shelf.remove(id);
    expect(titles(one)).toEqual([]);
    one.shelf.bringBack(id);
    expect(titles(one)).toEqual(["D Dorian"]);
    expect(one.shelf.$saved.get()[0]).not.toHaveProperty("deletedAt");
    one.shelf.remove(id);
    await one.settled();
    clock += 31 * 86_400;
    const later = tab(store);
    await later.shelf.load();
    expect([later.shelf.$saved.get().length, store.records.size]).toEqual([0, 0]);
  });

  it("sets aside what it can't read, once, and loads the rest", async () => {
    const records = new Map<string, unknown>([
      ["shelf:x", { kind: "mode", version: 99 }],
      ["shelf:y", "nonsense"],
      ["shelf:z", null],
    ]);
    const one = tab(memoryStore(records));
    one.shelf.save(DORIAN);
    await one.aside.load();
    await one.shelf.load();
    await one.settled();
    expect(titles(one)).toEqual(["D Dorian"]);
    expect(one.aside.$records.get().map(({ from, why }) => [from, why])).toEqual([
      ["shelf:x", "newer"],
      ["shelf:y", "broken"],
      ["shelf:z", "broken"],
    ]);
    const [x] = one.aside.$records.get();
    await one.aside.put("shelf:x", x?.record, "newer");
    expect(one.aside.$records.get()).toHaveLength(3);
    const next = tab(memoryStore(records));
    await next.aside.load();
    expect(next.aside.$records.get()).toEqual(one.aside.$records.get());
  });

  it("keeps what was put on it while its records were being read", async () => {
    const one = tab(memoryStore());
    const loading = one.shelf.load();
    one.shelf.save(DORIAN);
    await loading;
    expect(titles(one)).toEqual(["D Dorian"]);
  });

  it("saves a thing under an id of its own in place of what was there, the first date kept", async () => {
    const one = tab(memoryStore());
    const words: ToSave = { kind: "words", title: "Dorian", words: "gate", mode: "dorian", tune: "" };
    const first = one.shelf.saveAs("words-dorian", words);
    const second = one.shelf.saveAs("words-dorian", { ...words, words: "old gate" });
    await one.settled();
    expect(one.shelf.$saved.get()).toEqual([second]);
    expect([second.savedAt === first.savedAt, second.changedAt > first.changedAt]).toEqual([true, true]);
    expect(second.revisions.slice(0, -1)).toEqual(first.revisions);
  });
});

describe("two tabs", () => {
  it("follow each other", async () => {
    const store = memoryStore();
    const [one, two] = [tab(store), tab(store)];
    const { id } = one.shelf.save(DORIAN);
    await one.settled();
    expect(one.told).toEqual([`shelf:${id}`]);
    await two.shelf.reload(`shelf:${id}`);
    expect(titles(two)).toEqual(["D Dorian"]);
    store.records.delete(`shelf:${id}`);
    await two.shelf.reload(`shelf:${id}`);
    expect(titles(two)).toEqual([]);
    // Many at once, and the undoing of them.
    const things = one.shelf.$saved.get();
    const step = await one.shelf.putAll(things.map((each, at) => ({ ...each, id: `many-${at}` })));
    expect([step.put.map((each) => each.id), step.before, one.told.at(-1)]).toEqual([
      ["many-0"],
      [],
      "shelf:",
    ]);
    await two.shelf.load();
    expect(titles(two)).toEqual(["D Dorian"]);
    await one.shelf.undoPut(step);
    await two.shelf.load();
    expect(titles(two)).toEqual([]);
  });

  it("that changed one thing keep it twice, and it is said", async () => {
    const store = memoryStore();
    const copies: Saved[] = [];
    const [one, two] = [tab(store), tab(store, copies)];
    const made = one.shelf.save(DORIAN);
    await one.settled();
    await two.shelf.load();
    const opened = two.shelf.$saved.get()[0]!;
    one.shelf.change(made, { words: "from the first" });
    await one.settled();
    await two.shelf.reload(`shelf:${made.id}`);
    // The form in the second tab was opened before.
    two.shelf.change(opened, { words: "from the second" });
    await two.settled();
    const found = new Map(two.shelf.$saved.get().map(({ title, words }) => [title, words]));
    expect(found).toEqual(
      new Map([
        ["D Dorian", "from the first"],
        ["D Dorian (from another tab)", "from the second"],
      ]),
    );
    expect(copies).toHaveLength(1);
    await one.shelf.load();
    expect(titles(one).toSorted()).toEqual(["D Dorian", "D Dorian (from another tab)"]);
  });

  it("where one deletes what the other changes, the words stay", async () => {
    const store = memoryStore();
    const [one, two] = [tab(store), tab(store)];
    const made = one.shelf.save(DORIAN);
    await one.settled();
    await two.shelf.load();
    const opened = two.shelf.$saved.get()[0]!;
    one.shelf.remove(made.id);
    await one.settled();
    two.shelf.change(opened, { words: "still wanted" });
    await two.settled();
    await one.shelf.reload(`shelf:${made.id}`);
    expect(one.shelf.$saved.get().map(({ words, deletedAt }) => [words, deletedAt])).toEqual([
      ["still wanted", undefined],
    ]);
    // The other way round: what was changed there isn't deleted here.
    const later = one.shelf.$saved.get()[0]!;
    two.shelf.change(later, { words: "newer" });
    await two.settled();
    one.shelf.remove(made.id);
    await one.settled();
    expect(one.shelf.$saved.get()[0]).toMatchObject({ words: "newer" });
    expect(one.shelf.$saved.get()[0]?.deletedAt).toBeUndefined();
  });
});

describe("many at once", () => {
  const many = (count: number, words = ""): readonly Saved[] =>
    Array.from({ length: count }, (_, at) => ({
      ...{ version: 4 as const, id: `many-${at}`, title: `Mode ${at}`, words },
      ...{ kind: "mode" as const, home: "D", mode: "dorian" },
      savedAt: "2026-01-01T00:00:00.000Z",
      changedAt: "2026-01-01T00:00:00.000Z",
      revisions: [`${words} ${at}`],
    }));

  it("are counted as storage takes them, and can be called off though it takes none", async () => {
    const store = memoryStore();
    const { shelf } = tab(store);
    const controller = new AbortController();
    const counts: number[] = [];
    const onProgress = (count: number) => {
      counts.push(count);
      if (count === 2000) store.set("full");
    };
    const putting = shelf.putAll(many(3500), { onProgress, signal: controller.signal });
    await new Promise((resolve) => setTimeout(resolve, 40));
    expect([counts, shelf.$saved.get().length]).toEqual([[1000, 2000], 2000]);
    controller.abort();
    const { put } = await putting;
    store.set("well");
    expect([put.length, store.records.size]).toEqual([2000, 2000]);
  });

  it("are undone in one step, but for what was changed since", async () => {
    const store = memoryStore();
    const one = tab(store);
    await one.shelf.putAll(many(2, "mine"));
    const step = await one.shelf.putAll(many(4, "theirs"));
    one.shelf.change(
      one.shelf.$saved.get().find(({ id }) => id === "many-3")!,
      { words: "worked on" },
    );
    await one.settled();
    await one.shelf.undoPut(step);
    const words = one.shelf.$saved.get().map((each) => [each.id, each.words]);
    expect(words.toSorted()).toEqual([
      ["many-0", "mine"],
      ["many-1", "mine"],
      ["many-3", "worked on"],
    ]);
    const again = tab(store);
    await again.shelf.load();
    expect(again.shelf.$saved.get()).toEqual(one.shelf.$saved.get());
  });
});

describe("what a thing was before", () => {
  const now = ({ shelf }: ReturnType<typeof tab>, id: string) =>
    shelf.$saved.get().find((each) => each.id === id)!;

  it("is remembered, only as far as it differs, and can be put back", async () => {
    const store = browserStore("earlier");
    const one = tab(store);
    const { id } = one.shelf.save(DORIAN);
    one.shelf.change(now(one, id), { title: "The gate" });
    one.shelf.change(now(one, id), { words: "slow", folder: "Scene one" });
    one.shelf.change(now(one, id), { words: "slow" });
    expect(now(one, id).earlier).toMatchObject([
      { was: { title: "D Dorian" } },
      { was: { words: "the gate", folder: null } },
    ]);
    await one.settled();
    const again = tab(store);
    await again.shelf.load();
    const states = earlierStates(now(again, id));
    expect(states.map(({ title, words, folder }) => [title, words, folder])).toEqual([
      ["The gate", "the gate", undefined],
      ["D Dorian", "the gate", undefined],
    ]);
    again.shelf.putBack(states[1]!);
    expect(now(again, id)).toMatchObject({ title: "D Dorian", words: "the gate" });
    expect(now(again, id).folder).toBeUndefined();
    // The state that it was put back from can be had again in its turn.
    again.shelf.putBack(earlierStates(now(again, id))[0]!);
    expect(now(again, id)).toMatchObject({ title: "The gate", words: "slow", folder: "Scene one" });
    await again.settled();
  });

  it("has room for so many states, and for so much text", () => {
    const one = tab(memoryStore());
    const { id } = one.shelf.save(DORIAN);
    for (let nth = 0; nth < 40; nth += 1) one.shelf.change(now(one, id), { title: `Gate ${nth}` });
    expect(earlierStates(now(one, id)).map(({ title }) => title)[MAX_EARLIER - 1]).toBe("Gate 19");
    const words = (nth: number) => `${nth} `.repeat(6000);
    for (let nth = 0; nth < 60; nth += 1) one.shelf.change(now(one, id), { words: words(nth) });
    expect(JSON.stringify(now(one, id)).length).toBeLessThan(500_000);
  });

  it("of a thing whose past makes no sense is left out", () => {
    const one = tab(memoryStore());
    const thing = one.shelf.save(DORIAN);
    const earlier = [
      { changedAt: thing.changedAt, was: { title: "Before" } },
      { changedAt: thing.changedAt, was: { mode: 7 } },
    ];
    expect(earlierStates({ ...thing, earlier })).toEqual([]);
  });
});

describe("folders", () => {
  it("hold things, and are there for as long as something lies in them", () => {
    const one = tab(memoryStore());
    const gate = one.shelf.save({ ...DORIAN, folder: "Scene 2" });
    one.shelf.save({ ...DORIAN, title: "Stair", folder: "Scene 10" });
    one.shelf.save({ ...DORIAN, title: "Moon" });
    const all = () => one.shelf.$saved.get();
    const within = (folder: string | undefined) =>
      foundOn(all(), { text: "", tags: [], folder, order: "title" }, () => "").map(({ title }) => title);
    expect(foldersOf(all())).toEqual([
      { name: "Scene 2", count: 1 },
      { name: "Scene 10", count: 1 },
    ]);
    expect([within("Scene 2"), within(""), within(undefined)]).toEqual([
      ["D Dorian"],
      ["Moon"],
      ["D Dorian", "Moon", "Stair"],
    ]);
    one.shelf.change(gate, { folder: undefined });
    expect(foldersOf(all()).map(({ name }) => name)).toEqual(["Scene 10"]);
  });

  it("are named by what was typed, if that is anything", () => {
    expect([readFolder("  Scene   one ", 60), readFolder("   ", 60), readFolder("abcdef", 3)]).toEqual([
      "Scene one",
      undefined,
      "abc",
    ]);
  });
});
