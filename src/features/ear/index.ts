import { later } from "@/kit/later";
import { type Feature, goTo, openIn, savedOpener } from "@/session";
import { EAR_HELP, examText } from "@/words";
import { EAR, examDocument } from "./exam";
import { ear } from "./manifest";

export const feature: Feature = {
  ...ear,
  help: EAR_HELP,
  firstStep: () => goTo(EAR, { part: "today" }),
  practised: () => import("./practised").then(({ practised }) => practised()),
  View: later(() => import("./EarView").then(({ EarView }) => EarView)),
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
