// @vitest-environment jsdom
import { cleanup, render } from "@testing-library/react";
import fc from "fast-check";
import { afterEach, describe, expect, it } from "vitest";
import { INSTRUMENTS, LINE_FIGURES, SYSTEMS, tuningOf } from "@/core/instrument";
import { fifthsOf } from "@/core/pitch";
import { mode, SEVEN } from "@/core/scale";
import { MARGIN, pagesOf, PAPERS, WIDTH } from "@/kit/sheet";
import { blocksOf, NOTES_A_ROW, type PracticeAsked } from "./practice";
import { PracticeDrawing } from "./PracticeDrawing";

afterEach(cleanup);

const asked = (part: Partial<PracticeAsked> = {}): PracticeAsked => ({
  modes: [{ home: fifthsOf("D"), mode: mode("dorian") }],
  system: "five-positions",
  hands: [],
  figures: ["thirds"],
  octaves: 1,
  ...part,
});
const guitar = tuningOf("guitar");

describe("a practice sheet", () => {
  it("has the mode’s name, the five positions of an octave in pairs, and the line in rows", () => {
    const blocks = blocksOf(asked(), guitar);
    expect(blocks.map(({ kind }) => kind)).toEqual(["mode", "positions", "positions", "positions", "line"]);
    const [only] = blocksOf(asked({ hands: [5], figures: [] }), guitar).slice(1);
    expect(only?.kind === "positions" && only.pair.map(({ hand }) => hand)).toEqual([5]);
    const rows = blocksOf(asked({ figures: ["arpeggios"], hands: [7] }), guitar).filter(
      ({ kind }) => kind === "line",
    );
    expect(rows).toHaveLength(Math.ceil(84 / NOTES_A_ROW));
  });

  it("says where there is no room for what is asked", () => {
    const short = { ...tuningOf("bass"), frets: 5 };
    const blocks = blocksOf(asked({ system: "three-per-string", figures: ["arpeggios"], octaves: 2 }), short);
    expect(blocks.filter(({ kind }) => kind === "none").length).toBeGreaterThanOrEqual(1);
  });

  it("cuts nothing: every part is whole on its page, in order, and no name stands alone at a foot", () => {
    fc.assert(
      fc.property(
        fc.array(fc.record({ home: fc.integer({ min: -5, max: 6 }), mode: fc.constantFrom(...SEVEN) }), {
          minLength: 1,
          maxLength: 4,
        }),
        fc.constantFrom(...SYSTEMS),
        fc.subarray([...LINE_FIGURES]),
        fc.constantFrom(...INSTRUMENTS.flatMap(({ tunings }) => tunings)),
        (modes, system, figures, tuning) => {
          const blocks = blocksOf(asked({ modes, system, figures }), tuning);
          const pages = pagesOf(blocks, PAPERS.letter);
          // A name comes again at the top of a page that goes on under it; otherwise everything stands once.
          const placed = pages.flatMap((page) => page.map(({ block }) => block));
          const once = placed.filter((block, at) => placed.indexOf(block) === at);
          expect(once).toEqual(blocks);
          for (const page of pages) expect(page[0]?.block.kind).toBe("mode");
          for (const page of pages) {
            for (const [at, { block, y }] of page.entries()) {
              expect(y).toBeGreaterThanOrEqual(MARGIN);
              expect(y + block.height).toBeLessThanOrEqual(PAPERS.letter - MARGIN + 1e-6);
              expect(y).toBeGreaterThanOrEqual(
                (page[at - 1]?.y ?? 0) + (page[at - 1]?.block.height ?? 0) - 1e-6,
              );
            }
            const isLast = page === pages.at(-1);
            if (!isLast || page.length > 1) expect(page.at(-1)?.block.kind === "mode").toBe(false);
          }
        },
      ),
      { numRuns: 25 },
    );
  });

  it("is black on white, within the page, for either hand and every number of strings", () => {
    for (const id of ["guitar-8", "bass", "fiddle", "ukulele"]) {
      const pages = pagesOf(blocksOf(asked({ figures: ["scale"] }), tuningOf(id)), PAPERS.a4);
      for (const isLeft of [false, true]) {
        const { container } = render(
          <PracticeDrawing
            height={PAPERS.a4}
            page={pages[0]!}
            number={1}
            pages={pages.length}
            tuning={tuningOf(id)}
            isLeft={isLeft}
            labels="fingers"
            perBeat={2}
            playedOn="Guitar, standard tuning"
          />,
        );
        expect(container.innerHTML).not.toMatch(/undefined|NaN|f2a900/i);
        const label = container.querySelector("svg")?.getAttribute("aria-label");
        expect(label).toBe(`Practice sheet, page 1 of ${pages.length}: D Dorian.`);
        const rights = [...container.querySelectorAll("svg > g > rect")].map(
          (rect) => Number(rect.getAttribute("x")) + Number(rect.getAttribute("width")),
        );
        expect(Math.max(...rights)).toBeLessThanOrEqual(WIDTH - MARGIN + 1);
        cleanup();
      }
    }
  });
});
