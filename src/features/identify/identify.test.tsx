// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { identify, type Identification, type IdentifyChoice } from "@/core/identify";
import { readNotes } from "@/formats";
import { Candidates } from "./Candidates";
import { Passages } from "./Passages";
import { ReasonPanel } from "./ReasonPanel";

afterEach(cleanup);

const PEARS = "D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||";
const about = (text: string, choice?: IdentifyChoice) => identify(readNotes(text).value, choice)!;

/** Shows the reasons; what is answered hears which notes they point at. */
function show(found: Identification, swap?: { from: number; to: number }) {
  const point = vi.fn();
  render(
    <ReasonPanel
      found={found}
      placesOf={() => [0]}
      swap={swap}
      onSwap={() => undefined}
      onSave={() => undefined}
      onPoint={point}
    />,
  );
  return point;
}

describe("the reasons", () => {
  it("are four, in an odd key", () => {
    const found = about("D#4:2 E:1 F# | G# A# B A# | C#5 B A# F# | E:2 D#:2 ||");
    show(found, { from: -5, to: 2 });
    expect(screen.getByRole("heading").textContent).toBe("D♯ Phrygian");
    expect(screen.getAllByRole("listitem")).toHaveLength(4);
    expect(document.body.textContent).toContain("Count up from B: Ionian B, Dorian C♯, Phrygian D♯.");
    expect(screen.getByRole("button", { name: /^Swap E \/ E♯/ })).toBeTruthy();
  });

  it("name what is undecided in the title and in a sentence, many modes in a row", () => {
    show(about(PEARS));
    expect(screen.getByRole("heading").textContent).toBe("D minor without a 6 Aeolian or Dorian would fit");
    expect(document.body.textContent).toContain("It would be D Aeolian with B♭ or D Dorian with B.");
    expect(screen.queryByText(/^Undecided/)).toBeNull();
    expect(screen.queryByRole("button", { name: /^With/ })).toBeNull();
    cleanup();
    show(about("A4:1 C5 D E | C5 A4 D5 C5 | A4:1 E C5 D | A4:4 ||"));
    const ways = screen.getByText("Undecided: 2, 6 and 7").nextElementSibling;
    expect(ways?.querySelectorAll("li").length).toBeGreaterThan(4);
  });

  it("of a tune that changes are about its first passage, and the headline says that it changes", () => {
    const dorian = "D4:2 F:1 A | G:2 E:1 G | F:2 D:1 F | E:1 C E G | A:2 F:1 A | B:1 A G E | F:2 E:2 | D:4";
    const major = dorian.replaceAll("F", "F#").replaceAll("C", "C#");
    show(about(`${dorian} || ${major} ||`));
    expect(screen.getByRole("heading", { level: 2 }).textContent).toBe("D Dorian, then D Ionian");
    expect(screen.getByRole("heading", { level: 3 }).textContent).toBe("D Dorian, bars 1 to 8");
    expect(document.body.textContent).toContain(
      "The mode changes: D Dorian in bars 1 to 8 and D Ionian in bars 9 to 16.",
    );
    cleanup();
    show(about(`${dorian} || ${major} ||`, { home: 3 }));
    expect(screen.getByRole("heading", { level: 2 }).textContent).toMatch(/^A /);
    expect(screen.queryByRole("heading", { level: 3 })).toBeNull();
    expect(document.body.textContent).not.toContain("The mode changes");
  });

  it("name passing notes", () => {
    const found = about("G4:2 B:2 | D5:2 C5 B | A:2 B C5 | C#5:0.5 D5:1.5 B:2 | A:2 F#:2 | G:4 ||");
    const point = show(found, { from: 5, to: -2 });
    expect(document.body.textContent).toContain("C♯ leads up to D.");
    fireEvent.focus(screen.getByRole("button", { name: "C♯" }));
    expect(point).toHaveBeenLastCalledWith([8]);
    fireEvent.blur(screen.getByRole("button", { name: "C♯" }));
    expect(point).toHaveBeenLastCalledWith(undefined);
  });
});

describe("the candidates and passages", () => {
  it("are listed by weight in the shade of each, and can be picked", () => {
    const found = about(PEARS);
    const pick = vi.fn();
    const home = vi.fn();
    render(<Candidates found={found} home={undefined} onPick={pick} onHome={home} />);
    const rows = screen.getAllByRole("button");
    expect(rows[0]?.getAttribute("aria-pressed")).toBe("true");
    expect(rows.slice(0, 2).map((row) => row.dataset.shade)).toEqual(["-1", "0"]);
    fireEvent.click(rows[1]!);
    expect(pick).toHaveBeenCalledWith(found.candidates[1]?.homeMode);
    fireEvent.change(screen.getByLabelText("Home"), { target: { value: "9" } });
    expect(home).toHaveBeenLastCalledWith(3);
    fireEvent.change(screen.getByLabelText("Home"), { target: { value: "found" } });
    expect(home).toHaveBeenLastCalledWith(undefined);
  });

  it("stand bar by bar", () => {
    const found = about(PEARS);
    const { bars } = readNotes(PEARS).value;
    const choose = vi.fn();
    render(<Passages keys={[]} passages={found.passages} bars={bars} chosen={undefined} onBars={choose} />);
    expect(screen.getByRole("listitem").textContent).toBe("D Aeol. bars 1 to 7");
    fireEvent.change(screen.getByLabelText(/^From bar/), { target: { value: "3" } });
    expect(choose).toHaveBeenLastCalledWith({ from: 2, to: 6 });
    fireEvent.change(screen.getByLabelText(/^To bar/), { target: { value: "4" } });
    expect(choose).toHaveBeenLastCalledWith({ from: 0, to: 3 });
  });
});
