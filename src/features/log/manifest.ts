import type { ViewManifest } from "@/session";

export const log = {
  id: "log",
  name: "Log",
  about: "what was trained and practised",
  asks: "What did I practise, and what comes next?",
  picture: "month",
  parts: ["days", "ear", "tempo", "routine"],
} as const satisfies ViewManifest;
