// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { readChart } from "@/core/chord";
import { decisions, oneModeReadings, signalNotes } from "@/core/progression";
import { changeSettings } from "@/state";
import { Chart } from "./Chart";
import { ChordPanel } from "./ChordPanel";
import { Readings } from "./Readings";

beforeAll(() => {
  window.matchMedia = (media) =>
    ({
      matches: false,
      media,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as unknown as MediaQueryList;
});
afterEach(cleanup);

const read = (text: string) => {
  const chart = readChart(text).value;
  const readings = oneModeReadings(chart);
  return { chart, readings, reading: readings[0] };
};

describe("the chart", () => {
  it("has a cell a chord with its numeral, and marks what was not read", () => {
    const { chart, reading } = read("| G#m7 | C#7 Axq | N.C. |");
    const choose = vi.fn();
    render(<Chart chart={chart} reading={reading} chosen={1} onChoose={choose} />);
    const cells = screen.getAllByRole("button");
    expect(cells.map((cell) => cell.getAttribute("aria-label"))).toEqual([
      "Bar 1, G♯m7, i",
      "Bar 2, C♯7, IV",
      "Bar 2, Axq, not read",
      "Bar 3, N.C., ",
    ]);
    expect(cells[1]?.getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(cells[2]!);
    expect(choose).toHaveBeenCalledWith(2);
  });

  it("says what lies outside under its chord", () => {
    const { chart, reading } = read("| Em9 | A13 | Cmaj7 | Em9 |");
    const { container } = render(
      <Chart chart={chart} reading={reading} chosen={0} onChoose={() => undefined} />,
    );
    expect(screen.getByText("C outside")).toBeTruthy();
    expect(container.querySelectorAll('span[data-kind="outside"]').length).toBe(2);
  });
});

describe("the single modes", () => {
  it("are offered best first, the one in hand pressed", () => {
    const { readings, reading } = read("Em F Em");
    const choose = vi.fn();
    render(<Readings readings={readings} chosen={reading!} onChoose={choose} />);
    const rows = screen.getAllByRole("button");
    expect(rows[0]?.textContent).toBe("E Phrygian throughout; nothing outside");
    expect(rows[0]?.getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(rows[1]!);
    expect(choose).toHaveBeenCalledWith(readings[1]?.homeMode);
  });
});

describe("the panel of a chord", () => {
  const shown = (text: string, at: number) => {
    const { chart, reading } = read(text);
    const symbols = chart.map(({ chord }) => chord);
    const deciding = reading ? decisions(reading.homeMode, chart) : [];
    const nothing = () => undefined;
    render(
      <ChordPanel
        chart={chart}
        at={at}
        signal={signalNotes(symbols, at)}
        reading={reading}
        deciding={deciding}
        rival={deciding[0]?.between[1]}
        onLoop={nothing}
        onTwo={nothing}
        onKeep={nothing}
      />,
    );
    return (name: string) => screen.getByText(name).nextElementSibling?.textContent;
  };

  it("has the signal note, what decides, tones, rubs, and what else fits, in a flat key", () => {
    const fact = shown("| Ebm9 | Ab13 | Ebm9 |", 1);
    expect(screen.getByRole("heading").textContent).toBe("A♭13 in bar 2");
    expect(document.body.textContent).toContain("Signal note: C, its third (A♭ too)");
    expect(fact("What decides")).toContain(
      "C, the third of A♭13, in bar 2 makes it Dorian; C♭ would make it Aeolian",
    );
    expect(fact("Chord tones")).toBe("A♭ C E♭ G♭, with B♭ and F above");
    expect(fact("Rubs")).toBe("D♭, a half step over the third");
    expect(fact("Outside")).toBe("none");
    expect(fact("Also fits")).toBe("A♭ Mixolydian · A♭ Lydian dominant");
  });

  it("answers where no chord could be read", () => {
    shown("| qqq |", 0);
    expect(document.body.textContent).toContain("No chord could be read yet");
    expect(screen.queryByText("Chord tones")).toBeNull();
    expect(screen.queryByRole("button", { name: /Hear both/ })).toBeNull();
  });

  it("shows the colour notes of the school that is chosen", () => {
    const { chart, reading } = read("| Dm13 |");
    const lit = () => {
      const { container } = render(
        <Chart chart={chart} reading={reading} chosen={0} onChoose={() => undefined} />,
      );
      const drawn = container.innerHTML;
      cleanup();
      return drawn;
    };
    const usual = lit();
    changeSettings({ comparison: "catalogue" });
    expect(lit()).not.toBe(usual);
    changeSettings({ comparison: "usual" });
    expect(lit()).toBe(usual);
  });
});
