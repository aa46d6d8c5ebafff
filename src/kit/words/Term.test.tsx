// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { explanationOf, TERMS } from "@/words";
import { Term } from "./Term";

afterEach(cleanup);

describe("a term of the field", () => {
  it.each([
    "Avoid note",
    "Avoid notes",
    "avoid notes",
    "Best vamp",
    "brighter",
    "Darker",
    "Undecided",
    "characteristic notes",
  ])("%s is explained, however it is written", (term) => expect(explanationOf(term)).toBeTruthy());

  it("is a button that says what it means", () => {
    render(<Term of="Guide tones" />);
    const button = screen.getByRole("button", { name: "Guide tones" });
    expect(button.title).toBe(explanationOf("Guide tones"));
    expect(document.getElementById(button.getAttribute("popovertarget") ?? "")?.textContent).toBe("");
  });

  it("is plain text where there is nothing to explain", () => {
    render(<Term of="Bar 5" />);
    expect(screen.queryByRole("button")).toBeNull();
    expect(document.body.textContent).toBe("Bar 5");
  });

  it("is explained in a line or two", () => {
    for (const [, explanation] of TERMS) expect(explanation.length).toBeLessThan(130);
  });
});
