import { bestVamp } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { vampScore } from "@/audio";
import { toggle } from "@/session";

/** Plays the vamp that shows a mode best; started again, it stops. */
export function playVamp(homeMode: HomeMode): void {
  const vamp = bestVamp(homeMode);
  if (vamp) toggle("vamp", vampScore(vamp));
}
