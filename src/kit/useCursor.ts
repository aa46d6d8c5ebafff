import { type FocusEvent, type KeyboardEvent, useState } from "react";

/**
 * A cursor on a drawing that the arrow keys move, one stop for the tab key: where it is while the drawing has the focus, and what the
 * drawing needs for it. Enter or space presses what it is on.
 *
 * @param move the place beside one in a direction; undefined keeps it
 */
export function useCursor<T>(
  first: T,
  move: (at: T, across: number, down: number) => T | undefined,
  onPress: ((at: T) => void) | undefined,
) {
  const [at, setAt] = useState<T>();
  const onKeyDown = (event: KeyboardEvent) => {
    const [across, down] = STEPS[event.key] ?? [0, 0];
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (across !== 0 || down !== 0) setAt(move(at ?? first, across, down) ?? at);
    else if ((event.key === "Enter" || event.key === " ") && at !== undefined) onPress?.(at);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return {
    at,
    handlers: {
      tabIndex: 0,
      onKeyDown,
      // A press with the pointer says by itself where it is.
      onFocus: ({ currentTarget }: FocusEvent) =>
        currentTarget.matches(":focus-visible") && setAt(at ?? first),
      onBlur: () => setAt(undefined),
    },
  } as const;
}

const STEPS: Readonly<Record<string, readonly [across: number, down: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
