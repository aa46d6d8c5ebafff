// @vitest-environment jsdom
import "fake-indexeddb/auto";
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import { useKeys } from "@/session/place/useKeys";
import { useKeyboard } from "./useKeyboard";

afterEach(cleanup);

describe("space", () => {
  const page = () => {
    const play = vi.fn();
    const Page = () => {
      useKeyboard();
      useKeys("Everywhere", [{ key: " ", says: "Play", act: play }]);
      return (
        <>
          <button type="button">New version</button>
          <button type="button">Other</button>
        </>
      );
    };
    render(<Page />);
    return { play, button: screen.getByRole("button", { name: "New version" }) };
  };
  /** Whether the button would be pressed by it: nothing has taken the key. */
  const space = (target: Element) => fireEvent.keyDown(target, { key: " " });

  it("plays after a button was pressed with the pointer, and lets go of it", () => {
    const { play, button } = page();
    button.focus();
    fireEvent.click(button, { detail: 1 });
    expect(space(button)).toBe(false);
    expect(play).toHaveBeenCalledTimes(1);
    expect(document.activeElement).toBe(document.body);
  });

  it("presses a button that the keyboard has come to", () => {
    const { play, button } = page();
    button.focus();
    expect(space(button)).toBe(true);
    fireEvent.click(button, { detail: 0 });
    expect(space(button)).toBe(true);
    // Come back to later, it is the keyboard's again.
    fireEvent.click(button, { detail: 1 });
    screen.getByRole("button", { name: "Other" }).focus();
    button.focus();
    expect(space(button)).toBe(true);
    expect(play).not.toHaveBeenCalled();
  });

  it("leaves Enter to the button", () => {
    const { button } = page();
    button.focus();
    fireEvent.click(button, { detail: 1 });
    expect(fireEvent.keyDown(button, { key: "Enter" })).toBe(true);
  });
});
