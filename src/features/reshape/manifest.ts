import type { ViewManifest } from "@/session";

export const reshape = {
  id: "reshape",
  name: "Reshape",
  about: "a tune in another mode",
  parts: ["melody", "modes"],
} as const satisfies ViewManifest;
