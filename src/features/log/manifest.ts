import type { ViewManifest } from "@/session";

export const log = {
  id: "log",
  name: "Log",
  about: "what was trained and practised",
  parts: ["days", "ear", "tempo", "routine"],
} as const satisfies ViewManifest;
