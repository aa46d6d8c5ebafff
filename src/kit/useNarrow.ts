import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 760px), (max-height: 480px)";

const subscribe = (onChange: () => void) => {
  const query = window.matchMedia(NARROW);
  query.addEventListener("change", onChange);
  return () => query.removeEventListener("change", onChange);
};

/** Whether the window is a phone's, upright or lying: controls that are not needed all the time are on a sheet. */
export const useNarrow = (): boolean =>
  useSyncExternalStore(subscribe, () => window.matchMedia(NARROW).matches);
