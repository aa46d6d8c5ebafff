import { useSyncExternalStore } from "react";

const NARROW = "(max-width: 760px), (max-height: 480px)";

/** Asked once: every component that is drawn reads its answer. */
let query: MediaQueryList | undefined;
const narrow = () => (query ??= window.matchMedia(NARROW));

const subscribe = (onChange: () => void) => {
  narrow().addEventListener("change", onChange);
  return () => narrow().removeEventListener("change", onChange);
};

/** Whether the window is a phone's, upright or lying: controls that are not needed all the time are on a sheet. */
export const useNarrow = (): boolean => useSyncExternalStore(subscribe, () => narrow().matches);
