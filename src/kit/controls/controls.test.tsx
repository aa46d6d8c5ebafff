// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Button, Choice, FileButton, Select, Tabs, TextField, Toggle, WrittenField } from ".";

afterEach(cleanup);

describe("a word of a sentence that can be typed over", () => {
  const shown = (onCommit: (text: string) => string | undefined) => {
    render(<TextField label="Home" value="D" onCommit={onCommit} suggestions={["C♯"]} />);
    return screen.getByLabelText<HTMLInputElement>("Home");
  };

  it("is taken at Enter and on leaving, and not before", () => {
    const commit = vi.fn(() => undefined);
    const field = shown(commit);
    fireEvent.change(field, { target: { value: "Eb" } });
    expect(commit).not.toHaveBeenCalled();
    fireEvent.keyDown(field, { key: "Enter" });
    expect(commit).toHaveBeenCalledWith("Eb");
    fireEvent.change(field, { target: { value: "F" } });
    fireEvent.blur(field);
    expect(commit).toHaveBeenLastCalledWith("F");
  });

  it("keeps what was typed and says why it is refused", () => {
    const field = shown(() => "“Q” is no note.");
    fireEvent.change(field, { target: { value: "Q" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(field.value).toBe("Q");
    expect(field.getAttribute("aria-invalid")).toBe("true");
    expect(screen.getByRole("alert").textContent).toBe("“Q” is no note.");
  });

  it("is put back with Escape", () => {
    const field = shown(() => "no");
    fireEvent.change(field, { target: { value: "Q" } });
    fireEvent.keyDown(field, { key: "Escape" });
    expect(field.value).toBe("D");
    expect(screen.queryByRole("alert")).toBeNull();
  });

  it("leaves alone what was not touched", () => {
    const commit = vi.fn(() => undefined);
    fireEvent.blur(shown(commit));
    expect(commit).not.toHaveBeenCalled();
  });
});

describe("choices", () => {
  const options = [
    { value: "homes", text: "Parallel (same home)" },
    { value: "notes", text: "Relative (same notes)" },
  ] as const;

  it("are radio buttons under one name", () => {
    const change = vi.fn();
    render(<Choice label="Lined up by" value="homes" options={options} onChange={change} />);
    expect(screen.getByRole<HTMLInputElement>("radio", { name: "Parallel (same home)" }).checked).toBe(true);
    fireEvent.click(screen.getByRole("radio", { name: "Relative (same notes)" }));
    expect(change).toHaveBeenCalledWith("notes");
  });

  it("or a list, which gives only what is on it", () => {
    const change = vi.fn();
    render(<Select label="Lined up by" value="homes" options={options} onChange={change} />);
    fireEvent.change(screen.getByLabelText("Lined up by"), { target: { value: "notes" } });
    expect(change.mock.calls).toEqual([["notes"]]);
  });
});

describe("a button", () => {
  it("shows the key that does the same, and does not submit forms", () => {
    render(<Button keyName="s">Swap B / B♭</Button>);
    const button = screen.getByRole("button");
    expect(button.textContent).toBe("Swap B / B♭s");
    expect(button.getAttribute("type")).toBe("button");
    expect(button.querySelector("kbd")?.textContent).toBe("s");
  });
});

describe("what is written down", () => {
  const shown = (rows: number) => {
    const commit = vi.fn();
    render(
      <WrittenField
        label="Words"
        value="old"
        rows={rows}
        most={100}
        suggestions={["Gate"]}
        onCommit={commit}
      />,
    );
    return { commit, field: screen.getByLabelText<HTMLInputElement>("Words") };
  };

  it("is kept on leaving, trimmed, and not when nothing changed", () => {
    const { commit, field } = shown(3);
    fireEvent.change(field, { target: { value: " new " } });
    expect(commit).not.toHaveBeenCalled();
    fireEvent.blur(field);
    expect(commit).toHaveBeenCalledExactlyOnceWith("new");
    fireEvent.change(field, { target: { value: "old " } });
    fireEvent.blur(field);
    expect(commit).toHaveBeenCalledTimes(1);
  });

  it("on one line is kept at Enter as well", () => {
    const { commit, field } = shown(1);
    fireEvent.change(field, { target: { value: "tune" } });
    fireEvent.keyDown(field, { key: "Enter" });
    expect(commit).toHaveBeenCalledExactlyOnceWith("tune");
  });
});

describe("places beside each other", () => {
  it("are links; a plain press stays on the page, one with Ctrl is the browser’s", () => {
    const choose = vi.fn();
    const tabs = (["one", "two"] as const).map((value) => ({
      value,
      text: value,
      href: `#${value}`,
      keyName: "o",
    }));
    render(<Tabs label="Parts" value="one" tabs={tabs} onChoose={choose} />);
    const [one, two] = screen.getAllByRole("link");
    expect([one?.getAttribute("aria-current"), two?.getAttribute("aria-current")]).toEqual(["page", null]);
    fireEvent.click(two!, { ctrlKey: true });
    expect(choose).not.toHaveBeenCalled();
    expect(fireEvent.click(two!)).toBe(false);
    expect(choose).toHaveBeenCalledWith("two");
  });
});

describe("a list with headings", () => {
  it("has its options under them, and gives the one that is chosen", () => {
    const choose = vi.fn();
    const options = [
      { value: "a", text: "A", under: "Five" },
      { value: "b", text: "B", under: "Six" },
      { value: "c", text: "C", under: "Five" },
    ];
    render(<Select label="Scale" value="a" options={options} onChange={choose} />);
    expect(screen.getAllByRole("group").map(({ textContent }) => textContent)).toEqual(["AC", "B"]);
    fireEvent.change(screen.getByLabelText("Scale"), { target: { value: "b" } });
    expect(choose).toHaveBeenCalledWith("b");
  });
});

describe("a file", () => {
  it("is given when it is chosen, and nothing when the chooser is left", () => {
    const give = vi.fn();
    render(
      <FileButton label="Scale file" accept=".scl" onFile={give}>
        Open
      </FileButton>,
    );
    const chooser = screen.getByLabelText<HTMLInputElement>("Scale file");
    const pressed = vi.spyOn(chooser, "click");
    fireEvent.click(screen.getByRole("button", { name: "Open" }));
    expect(pressed).toHaveBeenCalledTimes(1);
    const file = new File(["x"], "x.scl");
    fireEvent.change(chooser, { target: { files: [file] } });
    expect(give).toHaveBeenCalledExactlyOnceWith(file);
    fireEvent.change(chooser, { target: { files: [] } });
    expect(give).toHaveBeenCalledTimes(1);
  });
});

describe("words that hold or do not, and the conventions", () => {
  it("flip, and the conventions hold everywhere", () => {
    const flip = vi.fn();
    render(
      <Toggle isOn={false} onChange={flip}>
        no ♯4
      </Toggle>,
    );
    fireEvent.click(screen.getByLabelText("no ♯4"));
    expect(flip).toHaveBeenCalledWith(true);
  });
});
