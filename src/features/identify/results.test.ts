import { describe, expect, it, test } from "vitest";
import type { Row } from "./collection-rows";
import { countByMode, passes, resultsCsv, resultsJson } from "./results";

const file = { name: "book.abc" } as File;
const row = (title: string, more: Partial<Row>): Row => ({
  at: 0,
  title,
  notes: 60,
  bars: 16,
  problems: [],
  file,
  from: 0,
  to: 9,
  ...more,
});
const GATE = row("Gate, the", {
  found: { home: 4, mode: "dorian", weight: 0.91234, undecided: [], modesLeft: 1, passages: 1 },
  declared: { home: 2, mode: "ionian" },
  agrees: "other-home",
});
const PEARS = row('Six "Pears"', {
  found: { home: -5, mode: "aeolian", weight: 0.51, undecided: [6], modesLeft: 2, passages: 2 },
});
const DRUMS = row("Drums", { notes: 0 });
const ALL = [GATE, PEARS, DRUMS];

describe("rows of a collection", () => {
  test.each([
    [{}, 'Gate, the|Six "Pears"|Drums'],
    [{ mode: "dorian" }, "Gate, the"],
    [{ home: 1 }, 'Six "Pears"'],
    [{ only: "undecided" }, 'Six "Pears"'],
    [{ only: "key" }, "Gate, the"],
    [{ only: "passages" }, 'Six "Pears"'],
    [{ only: "unsure" }, 'Six "Pears"'],
    [{ only: "none" }, "Drums"],
    [{ title: "PEAR" }, 'Six "Pears"'],
    [{ mode: "dorian", home: 2 }, ""],
  ] as const)("%j leaves %s", (filter, titles) =>
    expect(
      ALL.filter((each) => passes(each, filter))
        .map(({ title }) => title)
        .join("|"),
    ).toBe(titles),
  );

  it("are written as comma-separated values that keep commas and quotes", () => {
    expect(resultsCsv(ALL).split("\r\n")).toEqual([
      "file,title,home,mode,weight,undecided,declared,key,bars,notes,passages",
      'book.abc,"Gate, the",E,dorian,0.9123,,D ionian,other-home,16,60,1',
      'book.abc,"Six ""Pears""",Db,aeolian,0.51,6,,,16,60,2',
      "book.abc,Drums,,,,,,,16,0,",
      "",
    ]);
  });

  it("are written as JSON", () => {
    const { tunes } = JSON.parse(resultsJson(ALL)) as { tunes: { title: string; home: string }[] };
    expect(tunes.map(({ title, home }) => `${title} ${home}`)).toEqual([
      "Gate, the E",
      'Six "Pears" Db',
      "Drums ",
    ]);
  });

  it("are counted by mode", () =>
    expect(countByMode([GATE, GATE, PEARS, DRUMS]).map(({ mode, count }) => `${mode.id} ${count}`)).toEqual([
      "dorian 2",
      "aeolian 1",
    ]));
});
