import { lazy } from "react";
import { type Feature, openIn, savedOpener } from "@/session";
import { BLANK_TUNE, tuneDocument } from "./tune-document";
import { SOURCE_TEXT, IDENTIFY_HELP, IDENTIFY_FIRST } from "@/words";
import { DEMO_TUNES } from "@/demo";
import { finds } from "./finds";
import { IDENTIFY } from "./route";
import { identify } from "./manifest";

export const feature: Feature = {
  ...identify,
  help: IDENTIFY_HELP,
  firstStep: {
    text: IDENTIFY_FIRST,
    go: () => {
      const [{ source, text, title }] = DEMO_TUNES;
      openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source, text, name: title }, "tune");
    },
  },
  finds,
  opensDemo: () => {
    const [, { source, text, title }] = DEMO_TUNES;
    if (tuneDocument.$value.get().text === "")
      tuneDocument.open({ ...BLANK_TUNE, source, text, name: title });
  },
  View: lazy(() => import("./IdentifyView").then(({ IdentifyView }) => ({ default: IdentifyView }))),
  undoes: () => tuneDocument,
  files: { kinds: ["abc", "notes", "midi", "musicxml", "recording"] },
  saved: [
    savedOpener({
      kind: "tune",
      plural: "Tunes",
      line: ({ source }) => `tune, ${SOURCE_TEXT[source]}`,
      open: ({ source, text, title }) => {
        openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source, text, name: title }, "tune");
      },
    }),
  ],
};
