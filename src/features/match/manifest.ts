import type { ViewManifest } from "@/session";

export const match = {
  id: "match",
  name: "Match",
  about: "the mode for a row of chords",
  asks: "Which mode fits these chords, and where does it change?",
  tries: "Find the mode for Em9 A13",
  picture: "chart",
  parts: ["chart", "write", "over-bass"],
} as const satisfies ViewManifest;
