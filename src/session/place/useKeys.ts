import { useLayoutEffect, useRef } from "react";
import { bindKeys, type KeyBinding } from "@/session";

/**
 * Binds a part's keys while it is on the screen: from the moment it stands there, not a frame later, so that no press is
 * lost. The bindings may change at every drawing; the listed keys follow.
 */
export function useKeys(part: string, bindings: readonly KeyBinding[]): void {
  const latest = useRef(bindings);
  useLayoutEffect(() => {
    latest.current = bindings;
  });
  const shape = bindings.map(({ key, says }) => `${key} ${says}`).join("\n");
  useLayoutEffect(() => {
    const stable = latest.current.map((binding, at) => ({
      ...binding,
      act: () => latest.current[at]?.act(),
    }));
    bindKeys(part, stable);
    return () => bindKeys(part, []);
  }, [part, shape]);
}
