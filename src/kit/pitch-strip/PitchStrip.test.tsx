// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { fifthsOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { PitchStrip } from "./PitchStrip";
import { HeightStrip } from "./HeightStrip";

afterEach(cleanup);

const lydian = { home: fifthsOf("B"), mode: mode("lydian") };

describe("the strip", () => {
  it("opens seven cells of twelve, spelled from home", () => {
    const { container } = render(<PitchStrip homeMode={lydian} />);
    const cells = [...(container.firstElementChild?.children ?? [])];
    expect(cells.map(({ textContent }) => textContent.replace("\n", " "))).toEqual([
      "B 1",
      "C♯ 2",
      "D♯ 3",
      "E♯ ♯4",
      "F♯ 5",
      "G♯ 6",
      "A♯ 7",
    ]);
    expect(container.querySelector("[data-characteristic]")?.textContent).toBe("E♯\n♯4");
    expect(container.querySelectorAll("[data-home]")).toHaveLength(1);
  });

  it("moves home along and round the edge", () => {
    const { container } = render(<PitchStrip homeMode={lydian} homeColumn={11} />);
    const columns = [...container.querySelectorAll<HTMLElement>("[style]")].map(({ style }) =>
      style.getPropertyValue("--column"),
    );
    expect(columns).toEqual(["11", "1", "3", "5", "6", "8", "10"]);
  });
});

describe("the strip with heights", () => {
  it("says how long each note sounds, what only passes, and what was never heard", () => {
    const sounding = [0, 0, 0, 0.25, 0, 0.05, 0.2, 0, 0, 0, 0, 0.5];
    render(<HeightStrip homeMode={lydian} sounding={sounding} outside={[]} undecided={[9]} />);
    expect(screen.getByRole("img", { name: "B, 50%" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "E♯, 5%" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "G♯, 0%, never heard" })).toBeTruthy();
    cleanup();
    render(
      <HeightStrip
        homeMode={{ ...lydian, mode: mode("ionian") }}
        sounding={sounding}
        outside={[fifthsOf("F")]}
        undecided={[]}
      />,
    );
    expect(screen.getByRole("img", { name: "F, 5%, outside the mode" })).toBeTruthy();
  });
});
