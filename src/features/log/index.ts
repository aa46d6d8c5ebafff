import { lazy } from "react";
import { type Feature, openIn, routineDocument, savedOpener } from "@/session";
import { LOG_ABOUT, LOG_HELP } from "@/words";
import { LOG, LOG_PARTS } from "./log";

export const log: Feature = {
  id: LOG,
  name: "Log",
  about: LOG_ABOUT,
  help: LOG_HELP,
  showsPlaceMode: true,
  parts: LOG_PARTS,
  View: lazy(() => import("./LogView").then(({ LogView }) => ({ default: LogView }))),
  undoes: (part) => (part === "routine" ? routineDocument : undefined),
  files: { kinds: ["log"], part: "days" },
  saved: [
    savedOpener({
      kind: "routine",
      plural: "Routines",
      line: ({ routine }) =>
        routine.items
          .map(({ title }) => title)
          .join(" · ")
          .slice(0, 300),
      open: ({ routine, title }) => openIn(LOG, routineDocument, { ...routine, title }, "routine"),
    }),
  ],
};
