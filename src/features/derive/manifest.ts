import type { ViewManifest } from "@/session";

export const derive = {
  id: "derive",
  name: "Derive",
  about: "the modes of a scale and what makes each",
  asks: "Which modes does a scale have, and what makes each of them what it is?",
  picture: "ladder",
  parts: ["modes", "make", "compare", "chords", "ask"],
} as const satisfies ViewManifest;
