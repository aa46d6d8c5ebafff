/** Pixels between a thing and what stands beside it, and between that and the edge of the window. */
export const GAP = 6;

/**
 * Where a sheet of a width begins, from the left edge of the window: with a thing or over the middle of it, moved so that it is wholly
 * seen. In the page's own pixels, which are larger where the page is zoomed.
 *
 * @param at the thing, in pixels of the window
 */
export function beside(
  at: Pick<DOMRect, "left" | "width">,
  width: number,
  align: "start" | "middle",
): { readonly left: number; readonly zoom: number } {
  const zoom = Number(getComputedStyle(document.body).zoom) || 1;
  const from = align === "start" ? at.left : at.left + (at.width - width * zoom) / 2;
  const furthest = Math.max(GAP, window.innerWidth - width * zoom - GAP);
  return { left: Math.min(Math.max(GAP, from), furthest) / zoom, zoom };
}
