import type { MouseEvent, PointerEvent } from "react";

/** A point in a drawing, in its own units. */
interface Point {
  readonly x: number;
  readonly y: number;
}

/** Where an event is in a drawing, in the drawing's own units; undefined while it is not laid out. */
function pointIn({ currentTarget, clientX, clientY }: MouseEvent<SVGSVGElement>): Point | undefined {
  const matrix = currentTarget.getScreenCTM();
  if (!matrix) return undefined;
  const { x, y } = new DOMPoint(clientX, clientY).matrixTransform(matrix.inverse());
  return { x, y };
}

const isTouch = ({ nativeEvent }: MouseEvent): boolean =>
  "pointerType" in nativeEvent && nativeEvent.pointerType === "touch";

/**
 * What a drawing needs to be pressed: at once with a mouse or pen; with a finger only when it is lifted again where it was put down, since
 * until then it may be scrolling.
 */
export const pressIn = (onPress: (point: Point) => void) => ({
  onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
    const point = isTouch(event) ? undefined : pointIn(event);
    if (point) onPress(point);
  },
  onClick: (event: MouseEvent<SVGSVGElement>) => {
    const point = isTouch(event) ? pointIn(event) : undefined;
    if (point) onPress(point);
  },
});
