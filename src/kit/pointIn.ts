import type { PointerEvent } from "react";

/** Where a pointer is in a drawing, in the drawing's own units; undefined while it is not laid out. */
export function pointIn({ currentTarget, clientX, clientY }: PointerEvent<SVGSVGElement>) {
  const matrix = currentTarget.getScreenCTM();
  if (!matrix) return undefined;
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
  return { x, y };
}
