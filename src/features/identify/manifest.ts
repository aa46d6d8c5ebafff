import type { ViewManifest } from "@/session";

export const identify = {
  id: "identify",
  name: "Identify",
  about: "the mode of a tune",
  parts: ["tune", "collection"],
} as const satisfies ViewManifest;
