// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { act, cleanup, fireEvent, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { standInForDialogs } from "../../../tests/fixtures/dialogs";
import { shown } from "../../../tests/fixtures/shown";
import { printName } from "@/core/pitch";
import { DEMO } from "@/demo";
import "@/features";
import { $place, $settings, aside, bringInDemo, exportAll, openSaved, saving, shelf } from "@/session";
import { tuneDocument } from "@/features/identify/tune-document";
import { chartDocument } from "@/features/match/chart-document";
import { SaveDialog, ShelfDialog } from ".";

beforeAll(standInForDialogs);
beforeEach(() => {
  for (const { id } of shelf.$saved.get()) shelf.remove(id);
});
afterEach(cleanup);

/** Waits until storage has all. */
const settled = () => waitFor(() => expect(saving.$state.get().waiting.size).toBe(0), { timeout: 20_000 });

const living = () => shelf.$saved.get().filter(({ deletedAt }) => deletedAt === undefined);

describe("the Shelf on the screen", () => {
  it("when empty says how to fill it, and brings the demo in", async () => {
    await shown(<ShelfDialog open onClose={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Load the demo" }));
    await waitFor(() => expect(living()).toHaveLength(DEMO.length));
    const kinds = screen.getAllByRole("heading", { level: 3 }).map(({ textContent }) => textContent);
    expect(kinds).toEqual(expect.arrayContaining(["Modes", "Progressions", "Tunes"]));
    expect(chartDocument.$value.get().chords).toContain("Em9");
  });

  it("renames, deletes and brings back", async () => {
    shelf.save({ kind: "mode", title: "Gate", words: "", home: "F#", mode: "dorian" });
    await shown(<ShelfDialog open onClose={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Rename Gate" }));
    fireEvent.change(screen.getByLabelText("Title"), { target: { value: " Old gate " } });
    fireEvent.change(screen.getByLabelText("Your words"), { target: { value: "rust" } });
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    expect(living()[0]).toMatchObject({ title: "Old gate", words: "rust" });
    fireEvent.click(screen.getByRole("button", { name: "Delete Old gate" }));
    expect(living()).toEqual([]);
    fireEvent.click(screen.getByRole("button", { name: "Bring back Old gate" }));
    expect(living()[0]).toMatchObject({ title: "Old gate", words: "rust" });
  });

  it("shows what a backup brings before any of it is taken, and undoes it", async () => {
    await shown(<ShelfDialog open onClose={() => undefined} />);
    const give = (text: string) =>
      fireEvent.change(screen.getByLabelText("Backup file"), {
        target: { files: [new File([text], "x.json")] },
      });
    give("{");
    await screen.findByText(/it is not JSON/);
    const two = shelf.save({ kind: "progression", title: "Two", words: "", chords: "C G" });
    await settled();
    const file = (await exportAll()).replace('"tempo": 96', '"tempo": 150');
    shelf.change(two, { words: "mine" });
    shelf.save({ kind: "progression", title: "Three", words: "", chords: "D A" });
    await settled();
    const gone = file.replaceAll(two.id, "another");
    give(gone);
    const preview = within(await screen.findByRole("group", { name: "What the file brings" }));
    expect(preview.getByText("new").nextElementSibling?.textContent).toBe("1");
    expect(preview.getByText("settings that differ").nextElementSibling?.textContent).toBe("1");
    expect(living()).toHaveLength(2);
    fireEvent.click(preview.getByRole("button", { name: "Import" }));
    await screen.findByText("Imported one item.");
    expect([living().length, $settings.get().tempo]).toEqual([3, 96]);
    give(gone);
    await screen.findByText("already here");
    fireEvent.click(screen.getByRole("button", { name: "Import" }));
    await screen.findByText(/^Imported nothing/);
    give(file);
    const again = within(await screen.findByRole("group", { name: "What the file brings" }));
    expect(again.getByText("changed here since")).toBeTruthy();
    fireEvent.click(again.getByLabelText("Import settings too"));
    fireEvent.click(again.getByRole("button", { name: "Import" }));
    await waitFor(() => expect($settings.get().tempo).toBe(150));
    expect(living().find(({ id }) => id === two.id)?.words).toBe("mine");
    fireEvent.click(await screen.findByRole("button", { name: "Undo import" }));
    await waitFor(() => expect($settings.get().tempo).toBe(96));
  });

  it("keeps what is being reworded in its form, whatever another tab does with it", async () => {
    const { id } = shelf.save({ kind: "mode", title: "Gate", words: "", home: "F#", mode: "dorian" });
    await shown(<ShelfDialog open onClose={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Rename Gate" }));
    fireEvent.change(screen.getByLabelText("Your words"), { target: { value: "long thought over" } });
    act(() => shelf.remove(id));
    expect(screen.getByLabelText<HTMLTextAreaElement>("Your words").value).toBe("long thought over");
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    await settled();
    expect(living().map(({ words }) => words)).toContain("long thought over");
  });

  it("shows what was set aside, to be exported, repaired or deleted", async () => {
    await aside.put("shelf:torn", { version: 2, kind: "mode", title: "Torn", mode: "doriann" }, "broken");
    await aside.put("shelf:new", { version: 9, kind: "mode", title: "Later" }, "newer");
    await shown(<ShelfDialog open onClose={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Delete Mode “Later” for good" }));
    fireEvent.click(screen.getByRole("button", { name: "Repair Mode “Torn”" }));
    const field = screen.getByLabelText<HTMLTextAreaElement>("The record Mode “Torn”");
    fireEvent.change(field, { target: { value: field.value.slice(1) } });
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect((await screen.findByRole("alert")).textContent).toContain("isn’t JSON");
    const date = "2026-01-01T00:00:00.000Z";
    const mended = {
      ...{ version: 2, id: "torn", kind: "mode", title: "Torn", words: "", home: "E", mode: "dorian" },
      ...{ savedAt: date, changedAt: date, revisions: ["a"] },
    };
    fireEvent.change(field, { target: { value: JSON.stringify(mended) } });
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    await waitFor(() => expect(aside.$records.get()).toEqual([]));
    expect(living().map(({ title }) => title)).toContain("Torn");
  });

  it("opens a kept thing in its own view", () => {
    const savedAt = "2026-01-01T00:00:00.000Z";
    const common = {
      version: 4 as const,
      revisions: ["r"],
      ...{ id: "x", words: "", savedAt, changedAt: savedAt, title: "T" },
    };
    openSaved({ ...common, kind: "mode", home: "Gb", mode: "lydian" });
    expect([$place.get().view, printName($place.get().home), $place.get().mode.id]).toEqual([
      "derive",
      "Gb",
      "lydian",
    ]);
    openSaved({ ...common, kind: "progression", chords: "| Fm7 |" });
    expect([$place.get().view, chartDocument.$value.get().chords]).toEqual(["match", "| Fm7 |"]);
    openSaved({ ...common, kind: "tune", source: "notes", text: "A4" });
    expect([$place.get().view, tuneDocument.$value.get().text]).toEqual(["identify", "A4"]);
    openSaved({ ...common, kind: "words", mode: "phrygian", tune: "Fox" });
    expect([$place.get().view, $place.get().mode.id]).toEqual(["derive", "phrygian"]);
  });
});

describe("saving", () => {
  it("asks for a title, takes the user’s words, and shuts", async () => {
    const close = vi.fn();
    await shown(
      <SaveDialog
        thing={{ kind: "mode", title: "D Dorian", words: "", home: "D", mode: "dorian" }}
        onClose={close}
      />,
    );
    const sheet = within(screen.getByRole("dialog"));
    fireEvent.change(sheet.getByLabelText("Title"), { target: { value: " " } });
    expect(sheet.getByRole<HTMLButtonElement>("button", { name: "Save" }).disabled).toBe(true);
    fireEvent.change(sheet.getByLabelText("Title"), { target: { value: "Gate" } });
    fireEvent.change(sheet.getByLabelText("Your words"), { target: { value: "creaks" } });
    fireEvent.click(sheet.getByRole("button", { name: "Save" }));
    expect(living()[0]).toMatchObject({ title: "Gate", words: "creaks", home: "D" });
    expect(close).toHaveBeenCalledTimes(1);
  });

  it("knows the demo by its ids, so that it comes in once", async () => {
    await bringInDemo();
    await bringInDemo();
    expect(living()).toHaveLength(DEMO.length);
  });
});
