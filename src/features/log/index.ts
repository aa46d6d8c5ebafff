import { later } from "@/kit/later";
import { type Feature, openIn, savedOpener } from "@/session";
import { addToRoutine, routineDocument } from "./routine-document";
import { LOG_HELP } from "@/words";
import { log } from "./manifest";

export const feature: Feature = {
  ...log,
  help: LOG_HELP,
  takes: { routineItem: addToRoutine },
  showsPlaceMode: true,
  View: later(() => import("./LogView").then(({ LogView }) => LogView)),
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
      open: ({ routine, title }) => openIn(log.id, routineDocument, { ...routine, title }, "routine"),
    }),
  ],
};
