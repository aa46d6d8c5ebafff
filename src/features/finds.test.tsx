// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, beforeAll, describe, expect, it } from "vitest";
import { standInForDialogs } from "../../tests/fixtures/dialogs";
import { shown } from "../../tests/fixtures/shown";
import "@/features";
import { setPlace } from "@/session";
import { tuneDocument } from "@/features/identify/tune-document";
import { chartDocument } from "@/features/match/chart-document";
import { FindDialog } from "@/shell/bar/FindDialog";

beforeAll(standInForDialogs);
afterEach(cleanup);

/** What Find lists for a text, and whether it can be followed by Enter. */
async function find(text: string) {
  await shown(<FindDialog open onClose={() => undefined} />);
  fireEvent.change(screen.getByLabelText("What to find"), { target: { value: text } });
  return screen
    .queryAllByRole("button")
    .slice(1)
    .map(({ textContent }) => textContent);
}

const enter = () => fireEvent.submit(screen.getByLabelText("What to find"));

describe("Find takes what players type and says what it will do", () => {
  it.each([
    ["Em9 A13", "Em9 A13Match: find the mode for these chords"],
    ["| Dm7 | G7 | Cmaj7 |", "Dm7 G7 Cmaj7Match: find the mode for these chords"],
    ["dominant seven", "C♯7Match: find the modes for this chord"],
    ["Ab half diminished", "A♭m7♭5Match: find the modes for this chord"],
    ["D4 F A G F E F A D", "D4 F A G F E F A DIdentify: find the mode of these notes"],
    ["F# locrian", "F♯ LocrianDerive · G major, note 7"],
    ["1 b2 3", "C♯ Phrygian dominant without 4 5 ♭6 ♭7Derive · just these notes"],
  ])("%s", async (text, first) => {
    setPlace({ home: 7 });
    expect((await find(text))[0]).toBe(first);
  });

  it("takes letters for notes before it takes them for chords, and one letter for a home alone", async () => {
    const found = await find("C F G A");
    expect(found[0]).toContain("Derive");
    expect(found.some((each) => each.includes("Match"))).toBe(true);
    cleanup();
    expect((await find("E")).some((each) => each.includes("Match"))).toBe(false);
  });

  it("opens chords as a chart and notes as a tune", async () => {
    await find("C#m7 F#7");
    enter();
    expect(chartDocument.$value.get().chords).toBe("| C#m7 | F#7 |");
    cleanup();
    await find("D4 F A G F E F A D");
    enter();
    expect(tuneDocument.$value.get()).toMatchObject({ source: "notes", text: "D4 F A G F E F A D" });
  });

  it("says what would do where there is nothing", async () => {
    expect(await find("qqq")).toEqual([]);
    expect(screen.getByRole("status").textContent).toContain("Nothing found for “qqq”");
  });
});
