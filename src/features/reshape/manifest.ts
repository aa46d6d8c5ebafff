import type { ViewManifest } from "@/session";

export const reshape = {
  id: "reshape",
  name: "Reshape",
  about: "a tune in another mode",
  asks: "How does this tune sound in another mode?",
  tries: "Put a tune into another mode",
  picture: "staff",
  parts: ["melody", "modes"],
} as const satisfies ViewManifest;
