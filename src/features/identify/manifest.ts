import type { ViewManifest } from "@/session";

export const identify = {
  id: "identify",
  name: "Identify",
  about: "the mode of a tune",
  asks: "Which mode is this tune in, and what says so?",
  tries: "Find the mode of a tune",
  picture: "staff",
  parts: ["tune", "collection"],
} as const satisfies ViewManifest;
