import type { ViewManifest } from "@/session";

export const match = {
  id: "match",
  name: "Match",
  about: "the mode for a row of chords",
  parts: ["chart", "write", "over-bass"],
} as const satisfies ViewManifest;
