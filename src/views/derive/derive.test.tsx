// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { fifthsOf, printName, soundOf } from "@/core/pitch";
import { colourSwap, FAMILIES, type HomeMode, mode, parallels } from "@/core/scale";
import { $place } from "@/state";
import { Ladder } from "./Ladder";
import { ModePanel } from "./ModePanel";

afterEach(cleanup);

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const here = () => `${printName($place.get().home)} ${$place.get().mode.id}`;

describe("the ladder", () => {
  const shown = (home: string) => {
    const choose = vi.fn();
    render(
      <Ladder
        rows={parallels(FAMILIES[0]!, fifthsOf(home))}
        selected={at(home, "dorian")}
        leftSound={soundOf(fifthsOf(home))}
        lineUp="homes"
        label="The modes"
        onSelect={choose}
      />,
    );
    return choose;
  };

  it("goes from bright to dark, says each row in words, and marks the one in hand", () => {
    shown("D#");
    const rows = screen.getAllByRole("button");
    expect(rows.map((row) => row.getAttribute("aria-label")?.split(",")[0])).toEqual(
      ["Lydian", "Ionian", "Mixolydian", "Dorian", "Aeolian", "Phrygian", "Locrian"].map(
        (name) => `D♯ ${name}`,
      ),
    );
    expect(rows[3]?.getAttribute("aria-label")).toBe(
      "D♯ Dorian, notes of C♯ major: D♯ E♯ F♯ G♯ A♯ B♯ C♯. Colour: B♯. Brightness ±0",
    );
    expect(rows.map((row) => row.getAttribute("aria-pressed"))).toEqual(
      rows.map((_, row) => String(row === 3)),
    );
    expect(rows.map((row) => row.dataset.shade)).toEqual(["3", "2", "1", "0", "-1", "-2", "-3"]);
  });

  it("gives the row that is pressed", () => {
    const choose = shown("Gb");
    fireEvent.click(screen.getByRole("button", { name: /^G♭ Phrygian/ }));
    expect(choose).toHaveBeenCalledWith(at("Gb", "phrygian"));
  });
});

describe("the panel of a mode", () => {
  const nothing = () => undefined;
  const shown = (homeMode: HomeMode) =>
    render(
      <ModePanel
        homeMode={homeMode}
        swap={colourSwap(homeMode.mode)}
        onSwap={nothing}
        onVamp={nothing}
        onKeep={nothing}
      />,
    );

  it("counts from the parent and goes where it is pressed", () => {
    shown(at("G#", "mixolydian"));
    expect(screen.getByText(/is the fifth note of/).textContent).toBe("G♯ is the fifth note of C♯ major.");
    expect(screen.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual([
      "C♯Ionian",
      "D♯Dorian",
      "E♯Phryg.",
      "F♯Lydian",
      "G♯Mixol.",
      "A♯Aeol.",
      "B♯Locr.",
    ]);
    fireEvent.click(screen.getByRole("button", { name: "D♯ Dorian" }));
    expect(here()).toBe("D# dorian");
  });

  it("goes one note brighter and darker, keeping home", () => {
    shown(at("Gb", "mixolydian"));
    fireEvent.click(screen.getByRole("button", { name: "F♭ → F makes G♭ Ionian" }));
    expect(printName($place.get().home) + $place.get().mode.id).toMatch(/ionian$/);
    fireEvent.click(screen.getByRole("button", { name: "B♭ → B𝄫 makes G♭ Dorian" }));
    expect(here()).toMatch(/dorian$/);
  });

  it("offers the easier spelling past seven accidentals, and not before", () => {
    shown(at("G#", "ionian"));
    fireEvent.click(screen.getByRole("button", { name: "Easier from A♭" }));
    expect(printName($place.get().home)).toBe("Ab");
    cleanup();
    shown(at("C#", "ionian"));
    expect(screen.queryByRole("button", { name: /^Easier/ })).toBeNull();
  });

  it("names the swap that shows what the mode is", () => {
    shown(at("C#", "lydian"));
    expect(screen.getByRole("button", { name: "Swap F𝄪 / F♯" })).toBeTruthy();
  });
});
