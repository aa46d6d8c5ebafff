import { lazy } from "react";
import { mode as modeById } from "@/core/scale";
import { type Feature, savedOpener } from "@/session";
import { BLANK_RECIPE, openToReshape, reshapeDocument } from "./reshape-document";
import { DEMO_TUNES } from "@/demo";
import { modeText, RESHAPE_FIRST, RESHAPE_HELP, SOURCE_TEXT } from "@/words";
import { reshape } from "./manifest";

export const feature: Feature = {
  ...reshape,
  help: RESHAPE_HELP,
  takes: { tune: (tune, from) => openToReshape(tune, { ...BLANK_RECIPE, from }) },
  firstStep: {
    text: RESHAPE_FIRST,
    go: () => {
      const [{ source, text, title }] = DEMO_TUNES;
      openToReshape({ source, text, name: title });
    },
  },
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
