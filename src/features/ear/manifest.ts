import type { ViewManifest } from "@/session";

export const ear = {
  id: "ear",
  name: "Ear",
  about: "hear a mode and name it",
  asks: "Which mode is this? Third first, then the degree that differs.",
  tries: "By ear: major or minor third?",
  picture: "answers",
  parts: ["today", "exam"],
} as const satisfies ViewManifest;
