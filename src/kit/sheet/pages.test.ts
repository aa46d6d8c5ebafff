import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { MARGIN } from "./drawing";
import { pagesOf } from "./pages";
import { PAPERS } from "./paper";

const block = fc.record({ height: fc.integer({ min: 10, max: 400 }), isHeading: fc.boolean() });

describe("blocks on pages", () => {
  it("are all there in order, and none is cut, on either paper", () => {
    fc.assert(
      fc.property(fc.array(block, { maxLength: 40 }), fc.constantFrom("a4", "letter"), (blocks, paper) => {
        const height = PAPERS[paper];
        const pages = pagesOf(blocks, height);
        const placed = pages.flat().map(({ block: each }) => each);
        expect(placed.filter((each, at) => placed.indexOf(each) === at)).toEqual(blocks);
        for (const { block: each, y } of pages.flat()) {
          expect(y).toBeGreaterThanOrEqual(MARGIN);
          expect(y + each.height).toBeLessThanOrEqual(height - MARGIN);
        }
      }),
    );
  });

  it("leave no heading alone at the foot of a page", () => {
    const pages = pagesOf(
      [{ height: PAPERS.a4 - 2 * MARGIN - 60 }, { height: 50, isHeading: true }, { height: 100 }],
      PAPERS.a4,
    );
    expect(pages.map((page) => page.length)).toEqual([1, 2]);
  });

  it("say at the top of a page what it goes on under", () => {
    const heading = { height: 40, isHeading: true };
    const pages = pagesOf([heading, { height: PAPERS.a4 / 2 }, { height: PAPERS.a4 / 2 }], PAPERS.a4);
    expect(pages.map((page) => page[0]?.block)).toEqual([heading, heading]);
    expect(pages[1]?.[1]?.y).toBe(MARGIN + 40);
  });

  it("have the proportions of their paper", () => {
    expect(PAPERS.a4 / PAPERS.letter).toBeCloseTo((297 / 210) * (8.5 / 11), 2);
  });
});
