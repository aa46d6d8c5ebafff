// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { identify } from "@/core/identify";
import { readNotes } from "@/formats";
import { Candidates } from "./Candidates";
import { Passages } from "./Passages";
import { ReasonPanel } from "./ReasonPanel";

afterEach(cleanup);

const PEARS = "D4 F A | G F E | F A C5 | A:2 G | C5 A G | A F E | D4:3 ||";
const about = (text: string) => identify(readNotes(text).value)!;

describe("the reasons", () => {
  it("are four, in an odd key", () => {
    const found = about("D#4:2 E F# | G# A# B A# | C#5 B A# F# | E:2 D#:2 ||");
    render(<ReasonPanel found={found} swapName="E♯" onSwap={() => undefined} onKeep={() => undefined} />);
    expect(screen.getByRole("heading").textContent).toBe("D♯ Phrygian");
    expect(screen.getAllByRole("listitem")).toHaveLength(4);
    expect(document.body.textContent).toContain("Count up from B: Ionian B, Dorian C♯, Phrygian D♯.");
    expect(screen.getByRole("button", { name: /^With E♯/ })).toBeTruthy();
  });

  it("name what stays open in the title and in a row", () => {
    render(
      <ReasonPanel
        found={about(PEARS)}
        swapName={undefined}
        onSwap={() => undefined}
        onKeep={() => undefined}
      />,
    );
    expect(screen.getByRole("heading").textContent).toBe("D Aeolian or Dorian");
    expect(screen.getByText("Open: 6").nextElementSibling?.textContent).toBe(
      "B for Dorian or B♭ for Aeolian",
    );
    expect(screen.queryByRole("button", { name: /^With/ })).toBeNull();
  });

  it("name visitors", () => {
    const found = about("G4:2 B:2 | D5:2 C5 B | A:2 B C5 | C#5:0.5 D5:1.5 B:2 | A:2 F#:2 | G:4 ||");
    render(<ReasonPanel found={found} swapName="F" onSwap={() => undefined} onKeep={() => undefined} />);
    expect(screen.getByText("Only visiting").nextElementSibling?.textContent).toBe("C♯");
  });
});

describe("the candidates and passages", () => {
  it("are listed by weight in the shade of each, and can be picked", () => {
    const found = about(PEARS);
    const pick = vi.fn();
    render(<Candidates found={found} onPick={pick} />);
    const rows = screen.getAllByRole("button");
    expect(rows[0]?.getAttribute("aria-pressed")).toBe("true");
    expect(rows.slice(0, 2).map((row) => row.dataset.shade)).toEqual(["-1", "0"]);
    fireEvent.click(rows[1]!);
    expect(pick).toHaveBeenCalledWith(found.candidates[1]?.homeMode);
  });

  it("stand bar by bar", () => {
    render(<Passages passages={about(PEARS).passages} />);
    expect(screen.getByRole("listitem").textContent).toBe("D Aeol. bars 1 to 7");
  });
});
