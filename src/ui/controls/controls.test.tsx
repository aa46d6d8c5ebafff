// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { Button, Choice, Select, TextField } from ".";

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
    { value: "homes", text: "Line up homes" },
    { value: "notes", text: "Line up notes" },
  ] as const;

  it("are radio buttons under one name", () => {
    const change = vi.fn();
    render(<Choice label="Lined up by" value="homes" options={options} onChange={change} />);
    expect(screen.getByRole<HTMLInputElement>("radio", { name: "Line up homes" }).checked).toBe(true);
    fireEvent.click(screen.getByRole("radio", { name: "Line up notes" }));
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
