import fc from "fast-check";
import { describe, expect, it, test } from "vitest";
import {
  arriving,
  DEFAULTS,
  type ImportPlan,
  planImport,
  readBackup,
  type Saved,
  USUAL_CHOICE,
  writeBackup,
} from ".";

const NOW = "2026-01-01T00:00:00.000Z";
let ids = 0;
const mode = (part: Partial<Extract<Saved, { kind: "mode" }>> = {}): Saved => ({
  version: 4,
  id: `id-${ids++}`,
  kind: "mode",
  title: "D Dorian",
  words: "",
  home: "D",
  mode: "dorian",
  savedAt: "2026-01-01T00:00:00.000Z",
  changedAt: "2026-01-01T00:00:00.000Z",
  revisions: ["r1"],
  ...part,
});
const EMPTY = { shelf: [], settings: DEFAULTS, aside: [], documents: [], sittings: [] };
const fileOf = (things: readonly Saved[]) => readBackup(writeBackup({ ...EMPTY, shelf: things })).value!;
const copyTitle = (title: string) => `${title} (from the file)`;
const states = ({ items }: ImportPlan) => items.map(({ arrival }) => arrival);
/** What is here after an import with the usual choices. */
const after = (file: readonly Saved[], mine: readonly Saved[]) => {
  const things = arriving(planImport(fileOf(file), mine, DEFAULTS), USUAL_CHOICE, copyTitle);
  return [...new Map([...mine, ...things].map((each) => [each.id, each])).values()];
};

describe("a backup", () => {
  const thing = fc
    .record({ title: fc.constantFrom("A", "♭ 𝄫 “b”"), words: fc.string({ maxLength: 40 }) })
    .map(mode);

  it("comes back as it was", () => {
    fc.assert(
      fc.property(fc.array(thing, { maxLength: 8 }), (things) => {
        const aside = [{ from: "shelf:x", why: "newer" as const, record: { version: 99 } }];
        const documents = things.map(({ id, title }) => ({
          recent: { version: 1 as const, id, kind: "chart", title, changedAt: NOW, revision: "r" },
          document: { version: 1, kind: "chart", revision: "r", value: { chords: title, version: 1 } },
        }));
        const settings = { ...DEFAULTS, tempo: 120 };
        const file = writeBackup({ shelf: things, settings, aside, documents, sittings: [] });
        const { value, problems } = readBackup(file);
        expect(problems).toEqual([]);
        expect(value?.shelf.map(({ id }) => id).toSorted()).toEqual(things.map(({ id }) => id).toSorted());
        expect(writeBackup({ ...value!, settings: { ...DEFAULTS, ...value?.settings } })).toBe(file);
      }),
    );
  });

  test.each([
    ["", "not-json"],
    ["{", "not-json"],
    ["[]", "not-a-backup"],
    ["null", "not-a-backup"],
    ['{"format":"other","version":1,"shelf":[]}', "not-a-backup"],
    ['{"format":"shade-backup","version":7,"shelf":[],"settings":{}}', "newer-version"],
  ])("%j is refused: %s", (file, code) =>
    expect(readBackup(file)).toMatchObject({ value: undefined, problems: [{ code }] }),
  );

  test.each(["5", "null", '"dark"', "[]"])(
    "with %s for settings brings none, and all the rest",
    (settings) => {
      const { value } = readBackup(`{"format":"shade-backup","version":1,"shelf":[],"settings":${settings}}`);
      expect(value?.settings).toEqual({});
    },
  );

  it("of version 1 is read, what it had set aside among it", () => {
    const old = { kind: "mode", title: "Gate", words: "", home: "D", mode: "dorian", version: 1, id: "a" };
    const date = "2026-01-01T00:00:00.000Z";
    const { value } = readBackup(
      JSON.stringify({
        format: "shade-backup",
        version: 1,
        shelf: [{ ...old, keptAt: date, changedAt: date }],
        settings: {},
        quarantine: ["x"],
      }),
    );
    expect(value?.shelf[0]).toMatchObject({ title: "Gate", savedAt: date, version: 4 });
    expect(value?.aside).toEqual([{ from: "import", why: "broken", record: "x" }]);
  });

  it("names what it can't read, and takes the rest", () => {
    const file = JSON.parse(writeBackup({ ...EMPTY, shelf: [mode()] })) as { shelf: unknown[] };
    file.shelf.push({ ...mode(), mode: "doriann" }, 7);
    const { value, problems } = readBackup(JSON.stringify(file));
    expect([value?.shelf.length, value?.aside.length]).toEqual([1, 2]);
    expect(problems.map(({ record }) => record)).toEqual([2, 3]);
  });
});

describe("an import", () => {
  it("tells by revisions, not by clocks, which of two is newer", () => {
    const base = mode({ revisions: ["r1"] });
    const later = { ...base, words: "later", revisions: ["r1", "r2"], changedAt: "2020-01-01T00:00:00.000Z" };
    const other = { ...base, words: "other", revisions: ["r1", "r3"] };
    const plan = (theirs: Saved, mine: Saved) => states(planImport(fileOf([theirs]), [mine], DEFAULTS))[0];
    expect(plan(later, base)).toBe("changed-there");
    expect(plan(base, later)).toBe("changed-here");
    expect(plan(other, later)).toBe("changed-both");
    expect(plan({ ...other, words: "later" }, later)).toBe("same");
    expect(plan(base, { ...base, deletedAt: base.savedAt })).toBe("deleted-here");
    expect(states(planImport(fileOf([base]), [], DEFAULTS))).toEqual(["new"]);
  });

  it("loses nothing that was made here, and the same file twice changes nothing", () => {
    const base = mode();
    const mine = [{ ...base, words: "mine", revisions: ["r1", "m"] }, mode({ title: "only here" })];
    const file = [{ ...base, words: "theirs", revisions: ["r1", "t"] }, mode({ title: "new" })];
    const once = after(file, mine);
    expect(once.map(({ words, title }) => words || title).toSorted()).toEqual([
      "mine",
      "new",
      "only here",
      "theirs",
    ]);
    expect(states(planImport(fileOf(file), once, DEFAULTS))).toEqual(["same", "same"]);
    expect(after(file, once)).toEqual(once);
  });

  it("does what is chosen", () => {
    const base = mode();
    const mine = [{ ...base, words: "mine", revisions: ["r1", "m"] }];
    const plan = planImport(fileOf([{ ...base, words: "theirs", revisions: ["r1", "t"] }]), mine, DEFAULTS);
    const words = (way: "take" | "keep" | "both") =>
      arriving(plan, { ...USUAL_CHOICE, "changed-both": way }, copyTitle).map((each) => [
        each.id === base.id,
        each.words,
      ]);
    expect([words("take"), words("keep"), words("both")]).toEqual([
      [[true, "theirs"]],
      [],
      [[false, "theirs"]],
    ]);
  });

  it("shows settings apart: those of the file that differ, off unless they are asked for", () => {
    const file = readBackup(
      writeBackup({ ...EMPTY, settings: { ...DEFAULTS, tempo: 150, theme: "dark" } }),
    ).value!;
    expect(planImport(file, [], DEFAULTS).settings).toEqual({ tempo: 150, theme: "dark" });
    expect(planImport({ ...file, settings: {} }, [], { ...DEFAULTS, tempo: 150 }).settings).toEqual({});
    expect(USUAL_CHOICE.settings).toBe(false);
  });
});
