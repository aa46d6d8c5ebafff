import { useEffect, useRef } from "react";
import { bindKeys, type KeyBinding } from "@/state";

/** Binds a part's keys while it is on the screen. The bindings may change at every drawing; the listed keys follow. */
export function useKeys(part: string, bindings: readonly KeyBinding[]): void {
  const latest = useRef(bindings);
  useEffect(() => {
    latest.current = bindings;
  });
  const shape = bindings.map(({ key, says }) => `${key} ${says}`).join("\n");
  useEffect(() => {
    const stable = latest.current.map((binding, at) => ({
      ...binding,
      act: () => latest.current[at]?.act(),
    }));
    bindKeys(part, stable);
    return () => bindKeys(part, []);
  }, [part, shape]);
}
