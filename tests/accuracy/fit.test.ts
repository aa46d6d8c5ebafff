import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { casesOf, fitted, heldOut, rowInUse, scoreOf, withNumbers } from "../../scripts/fit/fit";
import { labelledTunes } from "../../scripts/fit/labelled";
import { soundOf } from "../../src/core/pitch";
import { readNotes } from "../../src/formats";
import { makeTune } from "./model";

const tunesFrom = (first: number, count: number) =>
  Array.from({ length: count }, (_, at) => makeTune(first + at * 7 + (at % 7)))
    .filter(({ kind }) => kind !== "changes mode")
    .map(({ notes, home, mode }) => ({ tune: readNotes(notes).value, home: soundOf(home), mode }));

const [own, others] = [casesOf(tunesFrom(40_000, 150)), casesOf(tunesFrom(50_000, 120))];
const row = fitted(own);

describe("fitting the identifier again", () => {
  it("on made tunes tells others as well as the numbers in use, and what it tells is so", () => {
    const [again, inUse] = [scoreOf(others, row), scoreOf(others, rowInUse())];
    expect(again.home).toBeGreaterThanOrEqual(inUse.home - 0.01);
    expect(again.mode).toBeGreaterThanOrEqual(inUse.mode - 0.01);
    expect(again.calibration).toBeLessThan(0.1);
  });

  it("gives the same numbers for the same tunes, and figures of tunes that were held out", () => {
    const few = own.slice(0, 40);
    expect(fitted(few)).toEqual(fitted(few));
    const { fitted: told } = heldOut(few, 2);
    expect(told.tunes).toBe(few.length);
    expect(told.home).toBeGreaterThan(0);
    expect(told.home).toBeLessThanOrEqual(1);
  });

  it("writes them where they stood, with count and date", () => {
    const source = readFileSync("src/core/identify/tune-evidence.ts", "utf8");
    const text = withNumbers(source, row, own, "2026-12-02", scoreOf(others, row));
    expect(text).toContain(`Fitted on 2026-12-02 on ${own.length} labelled tunes`);
    expect(text).toContain(`settled: ${Number(row[151 - 8]!.toFixed(3))},`);
    // The numbers in use put back give the source’s own numbers again.
    const numbers = (of: string) => of.match(/-?\d+\.\d+/gu)?.length;
    expect(numbers(withNumbers(text, rowInUse(), own, "2026-12-02", scoreOf(others, row)))).toBeGreaterThan(
      120,
    );
    expect(() => withNumbers("", row, own, "", scoreOf(others, row))).toThrow(/isn’t where it was/u);
  });

  it("takes tunes with a key field of one of the seven, and passes over the rest", async () => {
    const text = "X:1\nK:Ddor\nDEFG|\n\nX:2\nK:none\nDEF|\n\nX:3\nK:G\nGAB|[K:D]DEF|\n\nX:4\nK:F#phr\nFGA|\n";
    const found = await labelledTunes(new TextEncoder().encode(text), "tunes.abc");
    expect(found.map(({ home, mode }) => [home, mode])).toEqual([
      [2, "dorian"],
      [6, "phrygian"],
    ]);
    expect(await labelledTunes(new Uint8Array([1, 2, 3]), "none.bin")).toEqual([]);
  });
});
