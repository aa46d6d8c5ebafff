import { useStore } from "@nanostores/react";
import { useEffect } from "react";
import { keepLook } from "@/session/settings/look";
import { $alive, keepSpeed } from "@/session";
import { Boundary, later, Waiting } from "@/kit/later";
import { useNarrow } from "@/kit/useNarrow";
import { StageAtRest } from "@/shell/rest";

/** The view comes to life first. */
const viewIsAlive = new Promise<void>((resolve) => {
  const stop = $alive.subscribe((alive) => {
    if (!alive.has("view")) return;
    queueMicrotask(() => stop());
    resolve();
  });
});

const Stage = later(async () => {
  await viewIsAlive;
  return (await import("./Stage")).Stage;
});

/** Padding and border around what the stage holds, in CSS pixels. */
const AROUND = 11;

/** The stage, and its place until it has come to life. */
export function StageIsland() {
  const isNarrow = useNarrow();
  const isAlive = useStore($alive).has("stage");
  useEffect(keepSpeed, []);
  useEffect(() => {
    const section = document.querySelector<HTMLElement>("section[data-stage]");
    if (!isAlive || !section) return undefined;
    const observer = new ResizeObserver(() => {
      const height = Math.round(section.offsetHeight - AROUND);
      if (height > 0) keepLook(isNarrow ? { narrowStage: height } : { stage: height });
    });
    observer.observe(section);
    return () => observer.disconnect();
  }, [isNarrow, isAlive]);
  return (
    <Boundary what="The stage">
      <Waiting fallback={<StageAtRest />}>
        <Stage />
      </Waiting>
    </Boundary>
  );
}
