import { bestVamp } from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { chordText, listText } from "./names";

/** "Dm and G, back and forth"; empty where the mode has no two chords. */
export function vampText(homeMode: HomeMode): string {
  const first = bestVamp(homeMode);
  return first ? `${listText(first.chords.map(chordText))}, back and forth` : "";
}
