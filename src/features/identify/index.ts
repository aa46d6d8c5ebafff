import { lazy } from "react";
import { BLANK_TUNE, type Feature, goTo, savedOpener, tuneDocument } from "@/session";
import { SOURCE_TEXT } from "@/words";
import { IDENTIFY } from "./route";

export const identify: Feature = {
  id: IDENTIFY,
  name: "Identify",
  about: "the mode of a tune",
  parts: ["tune"],
  View: lazy(() => import("./IdentifyView").then(({ IdentifyView }) => ({ default: IdentifyView }))),
  undoes: () => tuneDocument,
  files: ["abc", "notes", "midi", "musicxml", "recording"],
  saved: [
    savedOpener({
      kind: "tune",
      plural: "Tunes",
      line: ({ source }) => `tune, ${SOURCE_TEXT[source]}`,
      open: ({ source, text, title }) => {
        goTo(IDENTIFY);
        tuneDocument.open({ ...BLANK_TUNE, source, text, name: title });
      },
    }),
  ],
};
