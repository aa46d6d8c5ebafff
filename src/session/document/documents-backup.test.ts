// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { beforeAll, describe, expect, it } from "vitest";
import { aside, exportAll, type FilePlan, importBy, planOf, saving, start, undoImport } from "..";
import { chartDocument } from "@/features/match/chart-document";
import { practiceSheet } from "@/sheets/practice-document";
import { readBackup, USUAL_CHOICE } from "@/storage";
import { patiently } from "../../../tests/fixtures/patiently";

beforeAll(start);

const titles = () => chartDocument.$recent.get().map(({ title }) => title);
const settled = () => patiently(() => expect(saving.$state.get().waiting.size).toBe(0));
const plan = async (text: string): Promise<FilePlan> => (await planOf(readBackup(text))).plan as FilePlan;
const take = async (text: string) =>
  importBy(await plan(text), USUAL_CHOICE, {
    onProgress: () => undefined,
    signal: new AbortController().signal,
  });

describe("what was worked on", () => {
  it("goes into a backup, open or not, written or not", async () => {
    chartDocument.open({ chords: "| Em9 | A13 |", title: "Gate" });
    chartDocument.open({ chords: "| F#m | B |", title: "Winter" });
    practiceSheet.change({ labels: "fingers" });
    const { documents } = JSON.parse(await exportAll()) as {
      documents: readonly { recent: { kind: string; title: string } }[];
    };
    expect(documents.map(({ recent: { kind } }) => kind).toSorted()).toEqual(["chart", "chart", "practice"]);
  });

  it("comes in beside what is here, the same file twice changes nothing, and it can be undone", async () => {
    const file = await exportAll();
    expect((await plan(file)).documents).toEqual([]);
    // From another browser.
    const other = file
      .replaceAll('"title": "Gate"', '"title": "Orchard"')
      .replaceAll(/"id": "(.{4})/gu, '"id": "zz$1');
    expect((await plan(other)).documents.map(({ recent: { title } }) => title).toSorted()).toEqual([
      "Orchard",
      "Winter",
    ]);
    expect(await take(other)).toBe(2);
    expect(titles()).toContain("Orchard");
    expect(titles()).toHaveLength(3);
    expect(await take(other)).toBe(0);
    const { id } = chartDocument.$recent.get().find(({ title }) => title === "Orchard")!;
    expect(await chartDocument.bringBack(id)).toBe(true);
    expect(chartDocument.$value.get().chords).toBe("| Em9 | A13 |");
  });

  it("that was changed since stands beside the other state, until the import is undone", async () => {
    const file = await exportAll();
    chartDocument.change({ chords: "| Em9 | A7 |" });
    await settled();
    expect(await take(file)).toBe(1);
    expect(titles()).toContain("Orchard (from the file)");
    expect(chartDocument.$value.get().chords).toBe("| Em9 | A7 |");
    expect((await plan(file)).documents).toEqual([]);
    await undoImport();
    expect(titles()).not.toContain("Orchard (from the file)");
  });

  it("that can’t be read is set aside", async () => {
    const file = (await exportAll())
      .replaceAll(/"chords": "[^"]*"/gu, '"chords": 5')
      .replaceAll(/"id": "(.{4})/gu, '"id": "yy$1');
    expect(await take(file)).toBe(0);
    expect(aside.$records.get().length).toBeGreaterThan(1);
    const { problems } = await planOf(readBackup(file.replaceAll('"recent":', '"resent":')));
    expect(problems.length).toBeGreaterThan(1);
  });
});
