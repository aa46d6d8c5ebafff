import { lazy } from "react";
import { BLANK_TUNE, type Feature, openIn, savedOpener, tuneDocument } from "@/session";
import { SOURCE_TEXT, IDENTIFY_ABOUT, IDENTIFY_HELP, IDENTIFY_FIRST } from "@/words";
import { DEMO_TUNES } from "@/demo";
import { finds } from "./finds";
import { IDENTIFY, IDENTIFY_PARTS } from "./route";

export const identify: Feature = {
  id: IDENTIFY,
  name: "Identify",
  about: IDENTIFY_ABOUT,
  help: IDENTIFY_HELP,
  firstStep: {
    text: IDENTIFY_FIRST,
    go: () => {
      const [{ source, text, title }] = DEMO_TUNES;
      openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source, text, name: title }, "tune");
    },
  },
  finds,
  parts: IDENTIFY_PARTS,
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
