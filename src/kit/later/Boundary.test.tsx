// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { shown } from "../../../tests/fixtures/shown";
import { Boundary, later, Waiting } from ".";

beforeEach(() => {
  // React says every error that a boundary catches.
  vi.spyOn(console, "error").mockImplementation(() => undefined);
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

/** A part that can't be had until the network is back. */
function lost() {
  const network = { isBack: false };
  const Part = later<object>(() =>
    network.isBack ? Promise.resolve(() => <p>Here it is</p>) : Promise.reject(new Error("no network")),
  );
  return { network, Part };
}

describe("a boundary", () => {
  it("says what could not be loaded, keeps what stands beside it, and tries again", async () => {
    const { network, Part } = lost();
    await shown(
      <>
        <p>The rest</p>
        <Boundary what="Slash chords" around={(failed) => <section aria-label="around">{failed}</section>}>
          <Waiting fallback="…">
            <Part />
          </Waiting>
        </Boundary>
      </>,
    );
    expect((await screen.findByRole("alert")).textContent).toContain("Slash chords couldn’t be loaded.");
    expect(screen.getByRole("region", { name: "around" })).toBeTruthy();
    expect(screen.getByText("The rest")).toBeTruthy();
    network.isBack = true;
    fireEvent.click(screen.getByRole("button", { name: "Try again" }));
    expect(await screen.findByText("Here it is")).toBeTruthy();
  });

  it("tries again by itself when the network is back", async () => {
    const { network, Part } = lost();
    await shown(
      <Boundary what="The stage">
        <Waiting fallback="…">
          <Part />
        </Waiting>
      </Boundary>,
    );
    await screen.findByRole("alert");
    network.isBack = true;
    act(() => void window.dispatchEvent(new Event("online")));
    expect(await screen.findByText("Here it is")).toBeTruthy();
  });

  it("has no failure left for what comes after it", () => {
    const Broken = (): never => {
      throw new Error("broken");
    };
    const { rerender } = render(
      <Boundary what="Em9">
        <Broken />
      </Boundary>,
    );
    expect(screen.getByRole("alert").textContent).toContain("Something broke in Em9.");
    rerender(<Boundary what="A13">Fine</Boundary>);
    expect(screen.queryByRole("alert")).toBeNull();
    expect(screen.getByText("Fine")).toBeTruthy();
  });
});
