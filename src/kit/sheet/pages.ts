import { MARGIN } from "./drawing";

/** A part of a sheet that is never cut: as high as it says, in units of the page. */
export interface SheetBlock {
  readonly height: number;
  /** A heading: it never stands alone at the foot of a page. */
  readonly isHeading?: boolean | undefined;
}

/** A block at its height on a page. */
export interface Placed<B extends SheetBlock> {
  readonly block: B;
  readonly y: number;
}

/**
 * Blocks on pages of a height: none is cut, no heading stands alone at the foot of one, and the last heading comes again at the top of a
 * page that goes on under it.
 *
 * @example pagesOf(blocks, PAPERS.a4).length // 1 for a mode in five positions
 */
export function pagesOf<B extends SheetBlock>(
  blocks: readonly B[],
  pageHeight: number,
): readonly (readonly Placed<B>[])[] {
  const pages: Placed<B>[][] = [];
  let y = Infinity;
  let heading: B | undefined;
  for (const [at, block] of blocks.entries()) {
    const next = blocks[at + 1];
    const needs = block.height + (block.isHeading === true && next ? next.height : 0);
    if (y + needs > pageHeight - MARGIN) {
      pages.push([]);
      y = MARGIN;
      if (heading && block.isHeading !== true && y + heading.height + needs <= pageHeight - MARGIN) {
        pages.at(-1)?.push({ block: heading, y });
        y += heading.height;
      }
    }
    if (block.isHeading === true) heading = block;
    pages.at(-1)?.push({ block, y });
    y += block.height;
  }
  return pages;
}
