// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it } from "vitest";
import { GUITAR } from "@/core/instrument";
import { fifthsOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { degreeFacts, linesOf, sheetRows } from "./facts";
import { HEIGHT } from "@/kit/sheet";
import { SheetDrawing } from "./SheetDrawing";

afterEach(cleanup);

const conventions = { reference: "by-third", comparison: "usual", syllables: "home" } as const;
const at = (home: string, id: string) => ({ home: fifthsOf(home), mode: mode(id) });

describe("the mode sheet", () => {
  it("lists each degree with what there is to say of it", () => {
    const [, second] = degreeFacts(at("C#", "phrygian-dominant"), conventions);
    expect(second).toEqual({
      note: "D",
      degree: "♭2",
      halfSteps: 1,
      interval: "minor second",
      step: 3,
      solfege: "ra",
      isCharacteristic: true,
      roman: "♭II",
      triad: "D",
      seventh: "Dmaj7",
    });
    expect(sheetRows(at("D", "dorian"), { ...conventions, syllables: "parent" })[1]).toEqual([
      "1",
      "D",
      "0",
      "home",
      "2",
      "re",
      "no",
      "i",
      "Dm",
      "Dm7",
    ]);
  });

  it("breaks its sentences at spaces, losing nothing", () => {
    const text = "The natural minor with its sixth raised";
    expect(linesOf(text, 14)).toEqual(["The natural", "minor with its", "sixth raised"]);
    expect(linesOf(text, 9).join(" ")).toBe(text);
    expect(linesOf("", 9)).toEqual([]);
  });

  it("stays on its page and leaves no hole, for modes of any size, with the user’s words", () => {
    for (const id of [
      "dorian",
      "minor-pentatonic",
      "bebop-melodic-minor",
      "ultralocrian-double-flat3",
      "set-1739",
      "set-4095",
      "set-3",
    ]) {
      const each = mode(id);
      const { container } = render(
        <SheetDrawing
          playedOn="Guitar, standard tuning"
          homeMode={{ home: 2, mode: each }}
          conventions={conventions}
          own={{ words: "A gate. ".repeat(200), tune: "Gate" }}
          tuning={GUITAR}
          isLeft={false}
        />,
      );
      const lowest = Math.max(
        ...[...container.querySelectorAll("svg > g text, svg > text")].map((text) =>
          Number(text.getAttribute("y")),
        ),
      );
      expect(lowest).toBeLessThan(HEIGHT);
      expect(container.textContent).not.toMatch(/undefined|NaN/);
      cleanup();
    }
  });

  it("says in words what it shows", () => {
    render(
      <SheetDrawing
        playedOn="Guitar, standard tuning"
        homeMode={at("Gb", "lydian")}
        conventions={conventions}
        own={{ words: "", tune: "" }}
        tuning={GUITAR}
        isLeft={false}
      />,
    );
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain(
      "Mode sheet of G♭ Lydian: G♭ A♭ B♭ C D♭ E♭ F.",
    );
  });
});
