import type { ViewManifest } from "@/session";

export const derive = {
  id: "derive",
  name: "Derive",
  about: "the modes of a scale and what makes each",
  asks: "Which modes does a scale have, and what makes each of them what it is?",
  tries: "Hear D Dorian, with its B and with B♭",
  picture: "ladder",
  parts: ["modes", "make", "compare", "chords", "ask"],
} as const satisfies ViewManifest;
