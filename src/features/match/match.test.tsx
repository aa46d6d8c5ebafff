// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeAll, describe, expect, it, vi } from "vitest";
import { readChart } from "@/core/chord";
import { fifthsOf } from "@/core/pitch";
import { decisions, guideLines, ANALYSIS_KINDS, analyses, segmentAt, targetNotes } from "@/core/progression";
import { mode, USUAL_MODES } from "@/core/scale";
import { Chart } from "./Chart";
import { ChartMap } from "./ChartMap";
import { ChordPanel } from "./ChordPanel";
import { KindHead } from "./KindHead";
import { NumeralsOffer } from "./NumeralsOffer";
import { SetByHand } from "./SetByHand";

beforeAll(() => {
  window.matchMedia = (media) =>
    ({
      matches: false,
      media,
      addEventListener: () => undefined,
      removeEventListener: () => undefined,
    }) as unknown as MediaQueryList;
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(cleanup);

const read = (text: string) => {
  const chart = readChart(text).value;
  const all = analyses(chart);
  const shown = ANALYSIS_KINDS.flatMap((kind) => all[kind][0] ?? []);
  return { chart, all, shown };
};

const shownChart = (text: string, at = 0, guides?: ReturnType<typeof guideLines>) => {
  const { chart, all, shown } = read(text);
  const choose = vi.fn();
  const band = vi.fn();
  const { container } = render(
    <Chart
      chart={chart}
      shown={shown}
      analyses={all}
      guides={guides}
      selectedKind="fewest-changes"
      range={{ at, from: at, to: at }}
      onChoose={choose}
      onBand={band}
      onKind={() => undefined}
      onRank={() => undefined}
    />,
  );
  return { chart, shown, choose, band, container };
};

describe("a chart in numerals", () => {
  it("is offered as chords in a key that can be set", () => {
    const take = vi.fn();
    render(<NumeralsOffer text="| 1 | 6m | 4 | 5 |" onTake={take} />);
    const key = screen.getByLabelText("Key of the numerals");
    fireEvent.change(key, { target: { value: "Gb" } });
    fireEvent.keyDown(key, { key: "Enter" });
    fireEvent.blur(key);
    fireEvent.click(screen.getByRole("button", { name: "Write them as chords" }));
    expect(take).toHaveBeenLastCalledWith("| Gb | Ebm | Cb | Db |");
  });
});

describe("the chart", () => {
  it("has a cell a chord with its numeral and mode, and marks what was not read", () => {
    const { choose } = shownChart("| G#m7 | C#7 Axq | N.C. |", 1);
    const cells = screen.getAllByRole("button", { name: /^Bar/ });
    expect(cells.map((cell) => cell.getAttribute("aria-label"))).toEqual([
      "Bar 1, G♯m7, i, in G♯ Dorian",
      "Bar 2, C♯7, IV, in G♯ Dorian",
      "Bar 2, Axq, not read",
      "Bar 3, N.C.",
    ]);
    expect(cells[1]?.getAttribute("aria-pressed")).toBe("true");
    fireEvent.click(cells[2]!);
    expect(choose).toHaveBeenLastCalledWith(2, false);
    fireEvent.click(cells[3]!, { shiftKey: true });
    expect(choose).toHaveBeenLastCalledWith(3, true);
  });

  it("has a band for each analysis, with the note that changes at a change", () => {
    const { band } = shownChart("| Em9 | A13 | Cmaj7 | D6 |");
    const blocks = screen
      .getAllByRole("button", { name: /from bar/ })
      .map((each) => each.getAttribute("aria-label"));
    expect(blocks.slice(0, 3)).toEqual([
      "Fewest changes: E Dorian from bar 1",
      "Fewest changes: E Aeolian from bar 3, C♯ → C",
      "One mode: D Mixolydian from bar 1",
    ]);
    fireEvent.click(screen.getByRole("button", { name: /Fewest changes: E Aeolian/ }));
    expect(band).toHaveBeenCalledWith("fewest-changes", 2);
  });

  it("says what lies outside under its chord, in the analysis where it does", () => {
    const { container } = shownChart("| Em9 | A13 | Cmaj7 | Em9 | A13 |");
    expect(screen.getAllByText("C outside").length).toBeGreaterThan(0);
    // Fewest changes and one mode come to the same here: one band for both.
    expect(container.querySelectorAll('[data-kind="fewest-changes"] span[data-kind="outside"]').length).toBe(
      1,
    );
    expect(container.querySelector('[data-kind="one-mode"]')).toBeNull();
  });

  it("has the guide lines under the chords, where they are wished for", () => {
    const { chords } = readChart("| Dm7 | G7 | qqq |").value;
    shownChart("| Dm7 | G7 | qqq |", 0, guideLines(chords.map(({ chord }) => chord)));
    const cells = screen.getByRole("list", { name: "Guide tones" }).querySelectorAll("li");
    expect([...cells].map(({ textContent }) => textContent)).toEqual(["FC", "–F↘B", ""]);
  });

  it("has sections, repeats and endings where they are written", () => {
    const { container } = shownChart("[Gate]\n|: Em9 |1. A13 :|2. D6 ||\n[Orchard] |: G :| x3");
    expect(screen.getByRole("heading", { name: "Orchard" })).toBeTruthy();
    expect(container.querySelectorAll("li[data-opens]").length).toBe(2);
    expect(container.querySelectorAll("li[data-ending]").length).toBe(2);
    expect(screen.getByText("×3")).toBeTruthy();
  });
});

describe("the analyses", () => {
  it("are summed up, selected, and stepped from the best to the next", () => {
    const { all } = read("| Em9 | A13 | Cmaj7 | D6 |");
    const kind = vi.fn();
    const onRank = vi.fn();
    const heads = (rank: number) =>
      ANALYSIS_KINDS.map((each) => (
        <KindHead
          key={each}
          analysis={all[each][rank]!}
          kinds={[each]}
          all={all[each]}
          isSelected={each === "fewest-changes"}
          onKind={kind}
          onRank={onRank}
        />
      ));
    const { rerender } = render(<>{heads(0)}</>);
    expect(screen.getByText("one change; nothing outside")).toBeTruthy();
    expect(screen.getByText("every chord its own home; nothing outside")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "One mode" }));
    expect(kind).toHaveBeenCalledWith("one-mode");
    fireEvent.click(screen.getByRole("button", { name: "Fewest changes: the next best analysis" }));
    expect(onRank).toHaveBeenCalledWith("fewest-changes", 1);
    rerender(<>{heads(4)}</>);
    expect(
      screen.getByRole("button", { name: "One mode: the next best analysis" }).hasAttribute("disabled"),
    ).toBe(true);
  });

  it("have a map of a long chart, a bar each", () => {
    const { chart, shown } = read("| Em9 | A13 | [Gate] Cmaj7 | D6 |");
    const choose = vi.fn();
    render(<ChartMap chart={chart} analysis={shown[0]!} chosen={1} onChoose={choose} />);
    const map = screen.getByRole("slider", { name: "The whole chart, by bars" });
    expect(map.getAttribute("aria-valuetext")).toBe("Bar 2, E Dorian");
    fireEvent.change(map, { target: { value: "3" } });
    expect(choose).toHaveBeenCalledWith(2);
  });
});

describe("setting by hand", () => {
  it("offers what is read first, and sets home or mode over a range", () => {
    const { chart } = read("| {E} Em9 | A13 |");
    const set = vi.fn();
    render(
      <SetByHand
        at={0}
        place={chart.chords[0]!}
        homeMode={{ home: fifthsOf("E"), mode: mode("dorian") }}
        homes={[fifthsOf("A")]}
        scales={USUAL_MODES}
        over={[
          { id: "segment", text: "as far as it goes", from: 0, to: 1 },
          { id: "chord", text: "over this chord", from: 0, to: 0 },
        ]}
        onSet={set}
      />,
    );
    expect(screen.getByText("Here home E is set.")).toBeTruthy();
    fireEvent.click(screen.getByRole("button", { name: "Set" }));
    expect(set).toHaveBeenLastCalledWith(0, 1, { home: 4, mode: mode("dorian") });
    fireEvent.change(screen.getByLabelText("Home that is set"), { target: { value: "3" } });
    fireEvent.change(screen.getByLabelText("Mode that is set"), { target: { value: "any" } });
    fireEvent.change(screen.getByLabelText("Over which chords"), { target: { value: "chord" } });
    fireEvent.click(screen.getByRole("button", { name: "Set" }));
    expect(set).toHaveBeenLastCalledWith(0, 0, { home: 3 });
    fireEvent.change(screen.getByLabelText("Home that is set"), { target: { value: "any" } });
    expect(screen.getByRole("button", { name: "Set" }).hasAttribute("disabled")).toBe(true);
    fireEvent.click(screen.getByRole("button", { name: "Let go" }));
    expect(set).toHaveBeenLastCalledWith(0, 0, undefined);
  });
});

describe("the panel of a chord", () => {
  const shown = (text: string, at: number) => {
    const { chart, all } = read(text);
    const analysis = all["fewest-changes"][0];
    const segment = analysis && segmentAt(analysis, at);
    const deciding = segment ? decisions(segment, chart.chords) : [];
    const nothing = () => undefined;
    render(
      <ChordPanel
        chart={chart}
        at={at}
        targets={targetNotes(chart, at)}
        analysis={analysis}
        segment={segment}
        deciding={deciding}
        keyOf={undefined}
        keyMode={segment?.homeMode}
        open={undefined}
        arpeggio={undefined}
        onArpeggio={nothing}
        scales={USUAL_MODES}
        rival={deciding[0]?.between[1]}
        setting={undefined}
        onLoop={nothing}
        onPractise={nothing}
        onTwo={nothing}
        onSave={nothing}
      />,
    );
    return (name: string) => screen.getByText(name).closest("dt")?.nextElementSibling?.textContent;
  };

  it("has the target note, what decides, tones, avoid notes, ways through, and what else fits, in a flat key", () => {
    const fact = shown("| Ebm9 | Ab13 | Ebm9 |", 1);
    expect(screen.getByRole("heading").textContent).toBe("A♭13 in bar 2, E♭ Dorian");
    expect(document.body.textContent).toContain("Target note: C, its third. E♭m9 doesn’t have it (nor A♭)");
    expect(fact("What decides")).toContain(
      "C, the third of A♭13 in bar 2, makes it Dorian; C♭ would make it Aeolian",
    );
    expect(fact("Chord tones")).toBe("A♭ C E♭ G♭, with B♭ and F above");
    expect(fact("Avoid notes")).toBe("D♭, a half step over the third");
    expect(screen.queryByText("Outside")).toBeNull();
    expect(fact("Guide tones")).toBe("G♭, the seventh, staysD♭ falls a half step to C, the third");
    expect(fact("Simple scale")).toBe(
      "E♭ minor pentatonic, bars 1 to 3; add C and F here for all of E♭ Dorian",
    );
    expect(fact("Fits")).toContain("A♭ Mixolydian (avoid D♭)");
    expect(screen.getByLabelText("Save C for it")).toBeTruthy();
  });

  it("says what a chord does in its key, and which of its notes are outside", () => {
    const fact = shown("| C | E7 | Am | F | C | G | C | C |", 1);
    expect(fact("Outside")).toBe("G♯");
    expect(fact("Function")).toBe("A secondary dominant: the dominant of A, and it goes there");
    expect(document.body.textContent).toContain("Save it for here: C Ionian has G instead.");
    expect(screen.queryByText("Use it throughout")).toBeNull();
  });

  it("answers where no chord could be read", () => {
    shown("| qqq |", 0);
    expect(document.body.textContent).toContain("No chord can be read yet");
    expect(screen.queryByText("Chord tones")).toBeNull();
    expect(screen.queryByRole("button", { name: /Hear both/ })).toBeNull();
  });
});
