// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import "@/features";
import { fifthsOf, printName } from "@/core/pitch";
import { characteristicSwap, FAMILIES, type HomeMode, mode, parallels } from "@/core/scale";
import { vamps } from "@/core/progression";
import {
  $toSave,
  $place,
  $ready,
  $settings,
  setQuery,
  changeSettings,
  ownWordsFor,
  setOwnWords,
  shelf,
} from "@/session";
import { modeQuestion } from "./question-document";
import { chartDocument } from "@/features/match/chart-document";
import { OwnWordsSaid } from "@/shell/panel";
import type { AskedOf, ModesAnswer } from "@/workers";
import { ask } from "@/workers/ask-modes";
import { AskShow } from "./AskShow";
import { ChordsShow } from "./ChordsShow";
import { CompareShow } from "./CompareShow";
import { type SelectedChords, SelectedPanel, selectedNotes, selectedText } from "@/shell/selected";
import { Ladder } from "./Ladder";
import { MakeShow } from "./MakeShow";
import { ModePanel, type Page } from "./ModePanel";
import { $derive, DERIVE, putBeside } from "./route";
import { patiently } from "../../../tests/fixtures/patiently";

/** There is no worker here; its job is done in its place. */
const asked = vi.hoisted(() => ({
  answer: undefined as ((question: AskedOf) => ModesAnswer) | undefined,
}));
vi.mock("@/workers", () => ({
  askAllModes: async (question: AskedOf) => {
    await Promise.resolve();
    return asked.answer ? { answer: asked.answer(question) } : { none: "failed" };
  },
  readFileAway: () => Promise.resolve({ none: "failed" }),
}));

beforeEach(() => changeSettings({ modeFold: true }));
afterEach(cleanup);

/** A busy machine takes its time over all modes. */
const SLOW = { timeout: 30_000 };

const at = (home: string, id: string): HomeMode => ({ home: fifthsOf(home), mode: mode(id) });
const here = () => `${printName($place.get().home)} ${$place.get().mode.id}`;

describe("the ladder", () => {
  const shown = (home: string) => {
    const choose = vi.fn();
    render(
      <Ladder
        rows={parallels(FAMILIES[0]!, fifthsOf(home))}
        selected={at(home, "dorian")}
        alignment="parallel"
        label="The modes"
        onSelect={choose}
      />,
    );
    return choose;
  };

  it("goes from bright to dark, says each row in words, and marks the selected one", () => {
    shown("D#");
    const rows = screen.getAllByRole("button");
    expect(rows.map((row) => row.getAttribute("aria-label")?.split(",")[0])).toEqual(
      ["Lydian", "Ionian", "Mixolydian", "Dorian", "Aeolian", "Phrygian", "Locrian"].map(
        (name) => `D♯ ${name}`,
      ),
    );
    expect(rows[3]?.getAttribute("aria-label")).toBe(
      "D♯ Dorian, notes of C♯ major: D♯ E♯ F♯ G♯ A♯ B♯ C♯. Characteristic: B♯. Brightness ±0",
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
  const shown = (homeMode: HomeMode, page: Page = "says", onPage: (next: Page) => void = nothing) =>
    render(
      <ModePanel
        homeMode={homeMode}
        page={page}
        onPage={onPage}
        swap={characteristicSwap(homeMode.mode)}
        onSwap={nothing}
        onSave={nothing}
      />,
    );

  it("counts from the parent and goes where it is pressed", () => {
    shown(at("G#", "mixolydian"));
    expect(screen.getByLabelText<HTMLSelectElement>("Which note of the parent").value).toBe("5");
    expect(screen.getByLabelText<HTMLInputElement>("Parent’s tonic").value).toBe("C♯");
    expect(
      screen.getByRole("list", { name: "Count up from C♯: C♯ 1, D♯ 2, E♯ 3, F♯ 4, G♯ 5." }),
    ).toBeTruthy();
    expect(screen.getAllByRole("listitem").map(({ textContent }) => textContent)).toEqual([
      "1 C♯Ionian",
      "2 D♯Dorian",
      "3 E♯Phryg.",
      "4 F♯Lydian",
      "5 G♯Mixol.",
      "6 A♯Aeol.",
      "7 B♯Locr.",
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

  it("counts forwards: another note of the same parent, the same note of another", () => {
    shown(at("F", "dorian"));
    fireEvent.change(screen.getByLabelText("Which note of the parent"), { target: { value: "3" } });
    expect(here()).toBe("G phrygian");
    const tonic = screen.getByLabelText("Parent’s tonic");
    fireEvent.change(tonic, { target: { value: "Gb" } });
    fireEvent.blur(tonic);
    expect(printName($place.get().home)).toBe("Ab");
  });

  it("shows its working, and follows the conventions", () => {
    shown(at("D", "phrygian-dominant"), "working");
    expect(screen.getByText(/minor second, major third, perfect fourth/)).toBeTruthy();
    expect(screen.getByText("half 1½ half whole half whole whole (1 3 1 2 1 2 2)")).toBeTruthy();
    expect(screen.getByText("D Phrygian dominant: the fifth note of G; so G harmonic minor.")).toBeTruthy();
    fireEvent.change(screen.getByLabelText("Compared with"), { target: { value: "seven" } });
    expect($settings.get().comparison).toBe("seven");
    changeSettings({ comparison: "usual" });
  });

  it("keeps the user’s words for a mode on whatever home, and shows them with it", () => {
    const { rerender } = shown(at("D", "lydian"), "yours");
    const field = screen.getByLabelText("Your words for it");
    fireEvent.change(field, { target: { value: "Floating" } });
    fireEvent.blur(field);
    const tune = screen.getByLabelText("Your model tune");
    fireEvent.change(tune, { target: { value: "Tissue Moon" } });
    fireEvent.keyDown(tune, { key: "Enter" });
    expect(ownWordsFor(mode("lydian"), shelf.$saved.get())).toEqual({
      words: "Floating",
      tune: "Tissue Moon",
    });
    rerender(<OwnWordsSaid mode={mode("lydian")} />);
    expect(screen.getByText("Floating (Tissue Moon)")).toBeTruthy();
    act(() => setOwnWords(mode("lydian"), "", ""));
    expect(screen.queryByText(/Floating/)).toBeNull();
  });

  it("shows a memory line under the names that it orders", () => {
    shown(at("D", "dorian"), "yours");
    const field = screen.getByLabelText("Your memory line for I D P L M A L");
    fireEvent.change(field, { target: { value: "I do paint lanterns most autumn long" } });
    fireEvent.blur(field);
    cleanup();
    shown(at("D", "dorian"));
    expect(screen.getAllByRole("listitem")[3]?.textContent).toBe("4 FLydianlanterns");
    changeSettings({ memory: {} });
  });
});

describe("making a scale", () => {
  const made = (homeMode: HomeMode) => render(<MakeShow homeMode={homeMode} />);

  it("opens and shuts cells, each named as it is spelled, home always open", () => {
    made(at("D#", "dorian"));
    const cells = within(
      screen.getByRole("group", { name: /^Notes from D♯/ }),
    ).getAllByRole<HTMLButtonElement>("button");
    expect(cells).toHaveLength(12);
    expect(
      cells
        .filter((cell) => cell.getAttribute("aria-pressed") === "true")
        .map((cell) => cell.getAttribute("aria-label")),
    ).toEqual([
      "D♯, home",
      "E♯, major second",
      "F♯, minor third",
      "G♯, perfect fourth",
      "A♯, perfect fifth",
      "B♯, major sixth",
      "C♯, minor seventh",
    ]);
    expect(cells[0]?.disabled).toBe(true);
    fireEvent.click(cells[9]!);
    expect($place.get().mode.id).toBe("aeolian-without-6");
  });

  it("will not shut the last cell beside home", () => {
    made(at("C", "1-5"));
    fireEvent.click(screen.getByRole("button", { name: "G, perfect fifth" }));
    expect(screen.getByRole("alert").textContent).toContain("needs home and one more note");
  });

  it("names what has a name and describes what has none", () => {
    made(at("C", "whole-tone"));
    expect(screen.getByText(/^This is Whole tone, also called/)).toBeTruthy();
    expect(screen.getByText(/make one mode only/)).toBeTruthy();
    cleanup();
    made(at("C", "1-b2-b3-sharp4-5-6-b7"));
    expect(screen.getByText("Dorian ♭2 ♯4: seven notes that aren’t in the catalogue.")).toBeTruthy();
    expect(screen.getByText(/Nearest: C/).textContent).toContain("C Dorian");
  });

  it("takes degrees, notes or a name, and says what it cannot take", () => {
    made(at("D", "dorian"));
    const field = screen.getByLabelText("Degrees, notes or a name");
    const type = (value: string) => {
      fireEvent.change(field, { target: { value } });
      fireEvent.keyDown(field, { key: "Enter" });
    };
    type("1 2 b3 #4 5 6 b7");
    expect(here()).toBe("D dorian-sharp4");
    type("Eb F Gb Ab Bb C Db");
    expect(here()).toBe("Eb dorian");
    type("whole");
    expect($place.get().mode.id).toBe("whole-tone");
    type("zzz");
    expect(screen.getByRole("alert").textContent).toContain("isn’t a scale I know");
  });

  it("reads a Scala file, and says why another tuning is none", async () => {
    made(at("D", "dorian"));
    const give = (text: string) =>
      fireEvent.change(screen.getByLabelText("Scala file"), {
        target: { files: [new File([text], "x.scl")] },
      });
    give("A scale\n2\n700.\n2/1\n");
    await patiently(() => expect($place.get().mode.id).toBe("1-5"));
    give("A scale\n2\n5/4\n2/1\n");
    await screen.findByText(/386.3 cents lies between the twelve notes; the nearest is 400/);
    expect($place.get().mode.id).toBe("1-5");
  });
});

describe("comparing modes", () => {
  it("begins with the neighbours, adds and takes away, and says what differs", () => {
    setQuery(DERIVE, { with: undefined });
    render(<CompareShow homeMode={at("D", "dorian")} onPlayAll={() => undefined} />);
    const said = screen.getAllByRole("listitem").map(({ textContent }) => textContent);
    expect(said).toContain("D Mixolydian is D Dorian with F♯ for F.");
    expect(said).toContain("D Aeolian is D Dorian with B♭ for B.");
    expect(said).toContain("All three share D, E, G, A and C.");
    const field = screen.getByLabelText("Another mode to compare");
    const type = (value: string) => {
      fireEvent.change(field, { target: { value } });
      fireEvent.keyDown(field, { key: "Enter" });
    };
    type("dorian");
    expect(screen.getByRole("alert").textContent).toBe("Dorian stands there already.");
    type("phrygian");
    expect($derive.get().beside?.map(({ id }) => id)).toEqual(["mixolydian", "aeolian", "phrygian"]);
    fireEvent.click(screen.getByRole("button", { name: "Take Aeolian away" }));
    expect($derive.get().beside?.map(({ id }) => id)).toEqual(["mixolydian", "phrygian"]);
    setQuery(DERIVE, { with: undefined });
  });

  it("marks what all rows share", () => {
    putBeside([mode("aeolian")]);
    const { container } = render(<CompareShow homeMode={at("D", "dorian")} onPlayAll={() => undefined} />);
    expect(container.querySelectorAll("[data-shared]")).toHaveLength(12);
    setQuery(DERIVE, { with: undefined });
  });
});

describe("the chords of a mode on the screen", () => {
  const shown = (homeMode: HomeMode) => {
    const select = vi.fn<(selected: SelectedChords) => void>();
    render(<ChordsShow homeMode={homeMode} selected={undefined} onSelect={select} />);
    return select;
  };

  it("are laid out degree by degree, and held when pressed", () => {
    const select = shown(at("C#", "dorian"));
    expect(screen.getAllByRole("rowheader").map(({ textContent }) => textContent)).toEqual([
      "i",
      "ii",
      "♭III",
      "IV",
      "v",
      "vi°",
      "♭VII",
    ]);
    fireEvent.click(screen.getByRole("button", { name: "F♯13" }));
    expect(selectedText(select.mock.calls[0]![0])).toBe("F♯13");
    expect(
      selectedNotes(select.mock.calls[0]![0])
        .map((note) => printName(note))
        .join(" "),
    ).toBe("F# A# C# E G# B D#");
  });

  it("move one shape over the bass, a fingering too", () => {
    shown(at("A", "dorian"));
    fireEvent.click(screen.getByLabelText("Slash chords over one bass"));
    expect(screen.getByText(/From C and G all of it is in A Dorian/)).toBeTruthy();
    const field = screen.getByLabelText(/^The shape/);
    fireEvent.change(field, { target: { value: "x 7 5 7 7 x" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(screen.getByText("x 12 10 12 12 x")).toBeTruthy();
    expect(screen.getByRole("button", { name: /^A7sus4/ })).toBeTruthy();
    fireEvent.click(screen.getByLabelText("Click it on a neck"));
    fireEvent.click(screen.getByRole("button", { name: "String 1, fret 5, A" }));
    fireEvent.click(screen.getByRole("button", { name: "String 5, fret 7, E" }));
    expect((field as HTMLInputElement).value).toBe("x x 5 7 7 5");
    expect(screen.getAllByText(/is right$/).length).toBeGreaterThan(3);
    fireEvent.change(field, { target: { value: "nonsense" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(screen.getByRole("alert").textContent).toContain("isn’t a chord shape");
  });

  it("say which stacks of fourths are perfect, and which pairs leave something out", () => {
    shown(at("D", "dorian"));
    fireEvent.click(screen.getByLabelText("In fourths"));
    expect(screen.getAllByText("perfect")).toHaveLength(5 + 4 + 3);
    fireEvent.click(screen.getByLabelText("Chord pairs"));
    expect(screen.getAllByText("all seven notes").length).toBeGreaterThan(3);
  });

  it("held, can be saved and taken to Match", () => {
    const vamp = vamps(at("Gb", "lydian"))[0]!;
    render(<SelectedPanel homeMode={at("Gb", "lydian")} selected={vamp} onDeselect={() => undefined} />);
    fireEvent.click(screen.getByRole("button", { name: "Save" }));
    expect($toSave.get()).toMatchObject({
      kind: "progression",
      chords: "| Gb | Ab |",
      title: "G♭ and A♭ in G♭ Lydian",
    });
    fireEvent.click(screen.getByRole("button", { name: "Put into the chart" }));
    expect([$place.get().view, chartDocument.$value.get().chords]).toEqual(["match", ""]);
    // What was worked on has been read: the chords go to its end.
    chartDocument.open({ chords: "| Gb |", title: "" });
    $ready.set(true);
    expect(chartDocument.$value.get().chords).toBe("| Gb |\n| Gb | Ab |");
    $toSave.set(undefined);
  });
});

describe("asking all modes on the screen", () => {
  it("asks, shows what answers, and says what no mode can hold", async () => {
    asked.answer = ask;
    modeQuestion.change({ chords: "Em F G#", anyHome: true });
    render(<AskShow homeMode={at("D", "dorian")} />);
    await screen.findByText(/None of 5544 modes/, {}, SLOW);
    expect(screen.getByText(/needs eight different notes, more than seven/)).toBeTruthy();
    const field = screen.getByLabelText("Chords that they hold");
    const type = (value: string) => {
      fireEvent.change(field, { target: { value } });
      fireEvent.keyDown(field, { key: "Enter" });
    };
    type("Exq");
    expect(screen.getByRole("alert").textContent).toContain("isn’t a chord symbol I can read");
    type("");
    fireEvent.click(screen.getByLabelText("or any home"));
    fireEvent.click(screen.getByLabelText("a home chord with only perfect fifths"));
    await screen.findByText(/1 of 462 modes/, {}, SLOW);
    fireEvent.click(screen.getByRole("button", { name: /^D Dorian, characteristic 6/ }));
    expect(here()).toBe("D dorian");
    fireEvent.change(screen.getByLabelText("Notes that they hold"), { target: { value: "b3 F# Q" } });
    fireEvent.blur(screen.getByLabelText("Notes that they hold"));
    expect(screen.getByRole("alert").textContent).toContain("“Q” isn’t a note or a degree");
  });
});
