import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 760px)";

const subscribe = (onChange: () => void) => {
  const query = window.matchMedia(NARROW);
  query.addEventListener("change", onChange);
  return () => query.removeEventListener("change", onChange);
};

/** Whether the window is narrow enough for views to stack. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => window.matchMedia(NARROW).matches);
