import { useEffect, useState } from "react";

/**
 * A value that follows once what else depends on it is on the screen: what takes longer to draw and can wait a frame. A value
 * that changes again before that is followed only once.
 */
export function useAfterPaint<T>(value: T): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    // A frame's callbacks run before it is painted, a task begun in them after.
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => setSettled(value));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [value]);
  return settled;
}
