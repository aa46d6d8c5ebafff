import { beforeEach, describe, expect, it } from "vitest";
import { z } from "zod";
import { openAside, openSaving } from "@/storage";
import { memoryStore } from "../../../tests/fixtures/memory-store";
import { openDocument } from "./document";

const text = z.object({ text: z.string(), title: z.string().catch("") });
type Text = z.infer<typeof text>;
/** Version 1 had the text under another name. */
const KIND = {
  kind: "text",
  stored: {
    version: 2,
    schema: text,
    migrations: [({ body, ...rest }: Readonly<Record<string, unknown>>) => ({ ...rest, text: body })],
  },
  blank: { text: "", title: "" },
  isBlank: (value: Text) => value.text === "",
  titleOf: (value: Text) => value.text.slice(0, 20),
};

let clock = 0;
let ids = 0;
beforeEach(() => {
  clock = 0;
});

/** One tab of a browser: its own session, the same records. */
function tab(browser: ReturnType<typeof newBrowser>, session = new Map<string, string>()) {
  const saving = openSaving({ patience: 50, pause: 5, longest: 10, hold: browser.hold });
  const twice: string[] = [];
  const opened = openDocument(KIND, {
    ...browser,
    saving,
    aside: openAside(browser.store, saving),
    now: () => new Date(Date.UTC(2026, 0, 1) + (clock += 10)),
    newId: () => `id-${String(ids++).padStart(4, "0")}`,
    pause: 3,
    copyTitle: (title) => `${title} (from another tab)`,
    tell: (key) => {
      for (const listen of browser.tabs) if (listen !== opened.hear) void listen(key);
    },
    onTwice: (title) => twice.push(title),
    journal: {
      read: (kind) =>
        [...browser.left].flatMap(([key, entry]) =>
          key.startsWith(kind) ? [{ id: key.slice(kind.length + 1), entry }] : [],
        ),
      write: (kind, id, entry) => void browser.left.set(`${kind} ${id}`, structuredClone(entry)),
      remove: (kind, id) => void browser.left.delete(`${kind} ${id}`),
    },
    lastOpen: { get: (kind) => session.get(kind) ?? null, set: (kind, id) => void session.set(kind, id) },
  });
  browser.tabs.push(opened.hear);
  const settled = async () => {
    do await new Promise((resolve) => setTimeout(resolve, 6));
    while (saving.$state.get().waiting.size > 0);
  };
  return { opened, settled, twice, session, saving };
}
/** What one tab holds the others wait for. */
function oneAtATime() {
  let last: Promise<unknown> = Promise.resolve();
  return (_: string, act: () => Promise<void>): Promise<void> => {
    const done = last.then(act, act);
    last = done.catch(() => undefined);
    return done;
  };
}
const newBrowser = () => ({
  hold: oneAtATime(),
  store: memoryStore(),
  values: memoryStore(),
  left: new Map<string, unknown>(),
  tabs: [] as ((key: string) => Promise<void>)[],
});

describe("a document", () => {
  it("is undone and redone without end; what is typed in one go is one step", () => {
    const { opened } = tab(newBrowser());
    for (const letter of ["C", "C ", "C G"]) opened.change({ text: letter }, "typing");
    opened.change({ text: "| C | G |" });
    opened.undo();
    expect(opened.$value.get().text).toBe("C G");
    opened.undo();
    expect([opened.$value.get().text, opened.$steps.get()]).toEqual(["", { undo: 0, redo: 2 }]);
    opened.undo();
    opened.redo();
    opened.redo();
    opened.redo();
    expect(opened.$value.get().text).toBe("| C | G |");
    opened.undo();
    opened.change({ text: "Am" });
    expect(opened.$steps.get().redo).toBe(0);
  });

  it("is there after a reload, with its undo", async () => {
    const browser = newBrowser();
    const one = tab(browser);
    one.opened.change({ text: "C" });
    one.opened.change({ text: "C G" });
    await one.settled();
    const next = tab(browser, one.session);
    await next.opened.load();
    expect(next.opened.$value.get().text).toBe("C G");
    next.opened.undo();
    expect(next.opened.$value.get().text).toBe("C");
  });

  it("stays under Recent when another is opened, and comes back", async () => {
    const browser = newBrowser();
    const { opened, settled } = tab(browser);
    opened.change({ text: "mine" });
    opened.open({ text: "from a link", title: "" });
    await settled();
    expect(opened.$recent.get().map(({ title }) => title)).toEqual(["mine"]);
    const [mine] = opened.$recent.get();
    expect(await opened.bringBack(mine!.id)).toBe(true);
    expect(opened.$value.get().text).toBe("mine");
    await settled();
    expect(opened.$recent.get().map(({ title }) => title)).toEqual(["from a link"]);
    expect(await opened.bringBack("nowhere")).toBe(false);
    expect(opened.$value.get().text).toBe("mine");
  });

  it("that is left while it is being written is written as it was, and once", async () => {
    const browser = newBrowser();
    const { opened, settled, twice } = tab(browser);
    opened.change({ text: "C" });
    await settled();
    opened.change({ text: "C G" });
    opened.change({ text: "C G Am" });
    opened.open({ text: "another", title: "" });
    opened.change({ text: "another one" });
    await settled();
    expect(twice).toEqual([]);
    expect(opened.$recent.get().map(({ title }) => title)).toEqual(["C G Am"]);
    // One part of a write that fails is no other tab's change.
    browser.store.set("full");
    opened.change({ text: "another two" });
    await new Promise((resolve) => setTimeout(resolve, 15));
    opened.change({ text: "another three" });
    browser.store.set("well");
    await settled();
    expect([twice, opened.$recent.get().length]).toEqual([[], 1]);
  });

  it("that was changed while records were read is a document of its own", async () => {
    const browser = newBrowser();
    const one = tab(browser);
    one.opened.change({ text: "before" });
    await one.settled();
    const two = tab(browser);
    const loading = two.opened.load();
    two.opened.change({ text: "early" });
    await loading;
    await two.settled();
    expect(two.opened.$value.get().text).toBe("early");
    expect(two.opened.$recent.get().map(({ title }) => title)).toEqual(["before"]);
  });

  it("that is left before storage has answered is taken up where it was left", async () => {
    const browser = newBrowser();
    const one = tab(browser);
    one.opened.change({ text: "C" });
    await one.settled();
    browser.values.set("silent");
    one.opened.change({ text: "C G" }, "typing");
    one.opened.flush();
    browser.left.set("text torn", 5);
    const next = tab(
      { ...browser, hold: oneAtATime(), values: memoryStore(browser.values.records) },
      one.session,
    );
    await next.opened.load();
    expect(next.opened.$value.get().text).toBe("C G");
    await next.settled();
    expect([browser.left.size, next.twice, next.opened.$recent.get()]).toEqual([0, [], []]);
    next.opened.undo();
    expect(next.opened.$value.get().text).toBe("C");
  });

  it("that was left for another before storage had it is there after the page is closed, behind the one that was open", async () => {
    const browser = newBrowser();
    const silent = {
      ...browser,
      values: { ...browser.values, write: () => new Promise<never>(() => undefined) },
    };
    const one = tab(silent);
    await one.opened.load();
    one.opened.open({ text: "first", title: "" });
    one.opened.open({ text: "second", title: "" });
    expect(one.opened.unsaved().map(({ recent: { title } }) => title)).toEqual(["first", "second"]);
    // It comes back as it was left, though storage never heard of it.
    const second = one.opened.$id.get();
    const first = one.opened.unsaved()[0]!.recent.id;
    expect([await one.opened.bringBack(first), one.opened.$value.get().text]).toEqual([true, "first"]);
    expect([await one.opened.bringBack(second), one.opened.$value.get().text]).toEqual([true, "second"]);
    one.opened.flush();
    // The closed tab holds nothing any more.
    const later = tab({ ...browser, hold: oneAtATime() }, one.session);
    await later.opened.load();
    await later.settled();
    expect(later.opened.$value.get().text).toBe("second");
    expect(later.opened.$recent.get().map(({ title }) => title)).toEqual(["first"]);
    expect(later.opened.unsaved()).toEqual([]);
  });

  it("follows another tab, and can go back from what came", async () => {
    const browser = newBrowser();
    const one = tab(browser);
    one.opened.change({ text: "C" });
    await one.settled();
    const two = tab(browser);
    await two.opened.load();
    one.opened.change({ text: "C G" });
    await one.settled();
    expect(two.opened.$value.get().text).toBe("C G");
    two.opened.undo();
    await two.settled();
    expect(one.opened.$value.get().text).toBe("C");
  });

  it("that two tabs changed at once is kept twice, and it is said", async () => {
    const browser = newBrowser();
    const one = tab(browser);
    one.opened.change({ text: "C" });
    await one.settled();
    const two = tab(browser);
    await two.opened.load();
    one.opened.change({ text: "C one" });
    two.opened.change({ text: "C two" });
    await one.settled();
    await two.settled();
    expect([one.opened.$value.get().text, two.opened.$value.get().text]).toEqual(["C one", "C two"]);
    expect([...one.twice, ...two.twice]).toHaveLength(1);
    const third = tab(browser);
    await third.opened.load();
    expect(two.twice).toEqual(["C two (from another tab)"]);
    const [other] = third.opened.$recent.get();
    const here = third.opened.$value.get().text;
    await third.opened.bringBack(other!.id);
    expect([here, third.opened.$value.get().text].toSorted()).toEqual(["C one", "C two"]);
  });

  it("of an earlier version is carried over; one that can’t be read is set aside and holds nothing up", async () => {
    const browser = newBrowser();
    const recent = (id: string, day: number) => ({
      ...{ version: 1, id, kind: "text", title: id, revision: "r" },
      changedAt: `2026-01-0${day}T00:00:00.000Z`,
    });
    browser.store.records.set("recent:text:old", recent("old", 1));
    browser.store.records.set("recent:text:torn", recent("torn", 2));
    browser.store.records.set("recent:text:x", 5);
    const stored = { version: 1, kind: "text", revision: "r", past: [5, { version: 1, body: "C" }] };
    browser.values.records.set("document:text:old", {
      ...stored,
      value: { version: 1, body: "C G", title: "" },
    });
    browser.values.records.set("document:text:torn", { ...stored, value: { version: 7 } });
    const { opened, settled, session } = tab(browser);
    session.set("text", "old");
    await opened.load();
    expect(opened.$value.get().text).toBe("C G");
    opened.undo();
    expect(opened.$value.get().text).toBe("C");
    expect(await opened.bringBack("torn")).toBe(false);
    await settled();
    const aside = [...browser.store.records.keys()].filter((key) => key.startsWith("aside:"));
    expect(aside.toSorted()).toEqual(["aside:document:text:torn", "aside:recent:text:x"]);
  });

  it("that does not fit stays here, is tried again, and is there once it fits", async () => {
    const browser = newBrowser();
    const { opened, saving, settled } = tab(browser);
    browser.values.set("full");
    opened.change({ text: "long" });
    await new Promise((resolve) => setTimeout(resolve, 25));
    expect([saving.$state.get().failing.size, opened.$value.get().text]).toEqual([1, "long"]);
    browser.values.set("well");
    await settled();
    const next = tab(browser);
    await next.opened.load();
    expect(next.opened.$value.get().text).toBe("long");
  });
});
