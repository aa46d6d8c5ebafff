import type { ViewManifest } from "@/session";

export const ear = {
  id: "ear",
  name: "Ear",
  about: "hear a mode and name it",
  parts: ["today", "exam"],
} as const satisfies ViewManifest;
