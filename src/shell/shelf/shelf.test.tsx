// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { cleanup, fireEvent, render, screen, waitFor, within } from "@testing-library/react";
import { afterEach, beforeAll, beforeEach, describe, expect, it, vi } from "vitest";
import { printName } from "@/core/pitch";
import { DEMO } from "@/demo";
import { $draft, $place, $settings, bringInDemo, shelf } from "@/session";
import { KeepDialog, openKept, ShelfDialog } from ".";

beforeAll(() => {
  // The test's document has no modal dialogs; open and shut is all that is needed of them.
  HTMLDialogElement.prototype.showModal = function () {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function () {
    this.open = false;
  };
});
beforeEach(() => {
  for (const { id } of shelf.$kept.get()) shelf.remove(id);
});
afterEach(cleanup);

const living = () => shelf.$kept.get().filter(({ deletedAt }) => deletedAt === undefined);

describe("the Shelf on the screen", () => {
  it("when empty says how to fill it, and brings the demo in", async () => {
    render(<ShelfDialog open onClose={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Bring in the demo" }));
    await waitFor(() => expect(living()).toHaveLength(DEMO.length));
    const kinds = screen.getAllByRole("heading", { level: 3 }).map(({ textContent }) => textContent);
    expect(kinds).toEqual(expect.arrayContaining(["Modes", "Progressions", "Tunes"]));
    expect($draft.get().chords).toContain("Em9");
  });

  it("renames, deletes and brings back", () => {
    shelf.keep({ kind: "mode", title: "Gate", words: "", home: "F#", mode: "dorian" });
    render(<ShelfDialog open onClose={() => undefined} />);
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

  it("takes a backup, and says what of it could not be read", async () => {
    render(<ShelfDialog open onClose={() => undefined} />);
    const give = (text: string) =>
      fireEvent.change(screen.getByLabelText("Backup file"), {
        target: { files: [new File([text], "x.json")] },
      });
    give("{");
    await screen.findByText(/it is not JSON/);
    const kept = shelf.keep({ kind: "progression", title: "Two", words: "", chords: "C G" });
    const file = await shelf.exportAll({
      ...$settings.get(),
      theme: "dusk",
      tempo: 80,
      volume: 0,
      drone: false,
    });
    shelf.remove(kept.id);
    give(file);
    await screen.findByText(/One thing came in/);
    expect(living()).toHaveLength(1);
  });

  it("opens a kept thing in its own view", () => {
    const keptAt = "2026-01-01T00:00:00.000Z";
    const common = { version: 1, id: "x", words: "", keptAt, changedAt: keptAt, title: "T" } as const;
    openKept({ ...common, kind: "mode", home: "Gb", mode: "lydian" });
    expect([$place.get().view, printName($place.get().home), $place.get().mode.id]).toEqual([
      "derive",
      "Gb",
      "lydian",
    ]);
    openKept({ ...common, kind: "progression", chords: "| Fm7 |" });
    expect([$place.get().view, $draft.get().chords]).toEqual(["match", "| Fm7 |"]);
    openKept({ ...common, kind: "tune", source: "notes", text: "A4" });
    expect([$place.get().view, $draft.get().tune?.text]).toEqual(["identify", "A4"]);
    openKept({ ...common, kind: "words", mode: "phrygian", tune: "Fox" });
    expect([$place.get().view, $place.get().mode.id]).toEqual(["derive", "phrygian"]);
  });
});

describe("keeping", () => {
  it("asks for a title, takes the user's words, and shuts", () => {
    const close = vi.fn();
    render(
      <KeepDialog
        thing={{ kind: "mode", title: "D Dorian", words: "", home: "D", mode: "dorian" }}
        onClose={close}
      />,
    );
    const sheet = within(screen.getByRole("dialog"));
    fireEvent.change(sheet.getByLabelText("Title"), { target: { value: " " } });
    expect(sheet.getByRole<HTMLButtonElement>("button", { name: "Keep" }).disabled).toBe(true);
    fireEvent.change(sheet.getByLabelText("Title"), { target: { value: "Gate" } });
    fireEvent.change(sheet.getByLabelText("Your words"), { target: { value: "creaks" } });
    fireEvent.click(sheet.getByRole("button", { name: "Keep" }));
    expect(living()[0]).toMatchObject({ title: "Gate", words: "creaks", home: "D" });
    expect(close).toHaveBeenCalledTimes(1);
  });

  it("knows the demo by its ids, so that it comes in once", async () => {
    await bringInDemo();
    await bringInDemo();
    expect(living()).toHaveLength(DEMO.length);
  });
});
