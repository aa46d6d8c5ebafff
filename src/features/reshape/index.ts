import { lazy } from "react";
import { mode as modeById } from "@/core/scale";
import { type Feature, openToReshape, reshapeDocument, savedOpener } from "@/session";
import { DEMO_TUNES } from "@/demo";
import { modeText, RESHAPE_ABOUT, RESHAPE_FIRST, RESHAPE_HELP, SOURCE_TEXT } from "@/words";
import { RESHAPE, RESHAPE_PARTS } from "./route";

export const reshape: Feature = {
  id: RESHAPE,
  name: "Reshape",
  about: RESHAPE_ABOUT,
  help: RESHAPE_HELP,
  firstStep: {
    text: RESHAPE_FIRST,
    go: () => {
      const [{ source, text, title }] = DEMO_TUNES;
      openToReshape({ source, text, name: title });
    },
  },
  parts: RESHAPE_PARTS,
  View: lazy(() => import("./ReshapeView").then(({ ReshapeView }) => ({ default: ReshapeView }))),
  undoes: () => reshapeDocument,
  files: { kinds: ["abc", "notes", "midi", "musicxml"] },
  saved: [
    savedOpener({
      kind: "reshaping",
      plural: "Reshaped tunes",
      line: ({ source, recipe }) => `into ${modeText(modeById(recipe.mode))}, ${SOURCE_TEXT[source]}`,
      open: ({ source, text, title, recipe }) => openToReshape({ source, text, name: title }, recipe),
    }),
  ],
};
