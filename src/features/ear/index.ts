import { lazy } from "react";
import { type Feature, goTo, openIn, savedOpener } from "@/session";
import { EAR_ABOUT, EAR_FIRST, EAR_HELP, examText } from "@/words";
import { EAR, EAR_PARTS, examDocument } from "./exam";

export const ear: Feature = {
  id: EAR,
  name: "Ear",
  about: EAR_ABOUT,
  help: EAR_HELP,
  firstStep: { text: EAR_FIRST, go: () => goTo(EAR, { part: "today" }) },
  parts: EAR_PARTS,
  showsPlaceMode: true,
  View: lazy(() => import("./EarView").then(({ EarView }) => ({ default: EarView }))),
  undoes: (part) => (part === "exam" ? examDocument : undefined),
  files: { kinds: ["exam", "exam-result"], part: "exam" },
  saved: [
    savedOpener({
      kind: "exam",
      plural: "Exams",
      line: ({ exam }) => examText(exam),
      open: ({ exam, title }) => openIn(EAR, examDocument, { ...exam, title }, "exam"),
    }),
  ],
};
