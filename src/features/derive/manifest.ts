import type { ViewManifest } from "@/session";

export const derive = {
  id: "derive",
  name: "Derive",
  about: "the modes of a scale and what makes each",
  parts: ["modes", "make", "compare", "chords", "ask"],
} as const satisfies ViewManifest;
