import { describe, expect, it } from "vitest";
import { DEMO } from "@/demo";
import { foundOn, readTags, type Saved, SAVED, type ShelfQuery, tagsOf, understand } from ".";

const tagged = (thing: Saved, ...tags: string[]): Saved => ({ ...thing, tags });
const [gate, ...others] = DEMO.filter(({ kind }) => kind === "tune") as [Saved, ...Saved[]];
const things = [tagged(gate, "scene one", "fiddle"), ...others.map((each) => tagged(each, "fiddle"))];
const query = (part: Partial<ShelfQuery>): ShelfQuery => ({ text: "", tags: [], order: "newest", ...part });
const titles = (part: Partial<ShelfQuery>) =>
  foundOn(things, query(part), ({ kind }) => kind).map(({ title }) => title);

describe("the Shelf", () => {
  it("is searched in titles, words, tags and what things are, whatever the case and the signs", () => {
    expect(titles({ text: "creaks" })).toEqual(["Orchard Gate"]);
    expect(titles({ text: "GATE c#" })).toEqual(["Orchard Gate"]);
    expect(titles({ text: "scene ONE" })).toEqual(["Orchard Gate"]);
    expect(titles({ text: "tune" })).toHaveLength(things.length);
    expect(titles({ text: "no such thing" })).toEqual([]);
  });

  it("is narrowed by tags, all of which a thing must have", () => {
    expect(titles({ tags: ["fiddle"] })).toHaveLength(things.length);
    expect(titles({ tags: ["fiddle", "scene one"] })).toEqual(["Orchard Gate"]);
    expect(tagsOf(things)).toEqual(["fiddle", "scene one"]);
  });

  it("stands in any order, numbers in titles by what they are worth", () => {
    expect(titles({ order: "title" })).toEqual(titles({}).toSorted((a, b) => a.localeCompare(b)));
    const dates = foundOn(things, query({ order: "oldest" }), () => "").map(({ savedAt }) => savedAt);
    expect(dates).toEqual(dates.toSorted());
    const numbered = ["Take 10", "Take 9"].map((title) => ({ ...gate, title }));
    expect(foundOn(numbered, query({ order: "title" }), () => "").map(({ title }) => title)).toEqual([
      "Take 9",
      "Take 10",
    ]);
  });

  it("reads tags with commas between them, each once, as many and as long as there may be", () => {
    expect(readTags("gate,  scene   one, gate,,", 20, 40)).toEqual(["gate", "scene one"]);
    expect(readTags("a,b,c", 2, 40)).toEqual(["a", "b"]);
    expect(readTags("abcdef", 2, 3)).toEqual(["abc"]);
  });

  it("takes no routine that leads out of the application", () => {
    const { id, title, words, savedAt, changedAt, revisions, version } = gate;
    const read = (link: string) =>
      understand(SAVED, {
        ...{ id, title, words, savedAt, changedAt, revisions, version, kind: "routine" },
        routine: {
          title: "",
          order: "in-order",
          items: [{ id: "a", title: "a", kind: "mode", link, minutes: 5, tempo: 80, climbs: false }],
        },
      });
    expect(read("/derive?home=D")).toHaveProperty("value");
    for (const link of ["https://example.org/derive", "//example.org", "javascript:0", ""])
      expect(read(link), link).toEqual({ why: "broken" });
  });

  it("takes things of version 2 as they are, and refuses tags that are none", () => {
    expect(understand(SAVED, { ...gate, version: 2 })).toEqual({ value: gate });
    expect(understand(SAVED, { ...gate, tags: ["ok", ""] })).toEqual({ why: "broken" });
  });
});
