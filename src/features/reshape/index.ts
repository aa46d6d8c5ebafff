import { mode as modeById } from "@/core/scale";
import { later } from "@/kit/later";
import { type Feature, savedOpener, withPart } from "@/session";
import { BLANK_RECIPE, openToReshape, reshapeDocument } from "./reshape-document";
import { modeText, RESHAPE_HELP, SOURCE_TEXT } from "@/words";
import { reshape } from "./manifest";

export const feature: Feature = {
  ...reshape,
  help: RESHAPE_HELP,
  takes: { tune: (tune, from) => openToReshape(tune, { ...BLANK_RECIPE, from }) },
  firstStep: () =>
    void withPart(
      "The demo",
      () => import("@/demo"),
      ({ DEMO_TUNES: [{ source, text, title }] }) => openToReshape({ source, text, name: title }),
    ),
  View: later(() => import("./ReshapeView").then(({ ReshapeView }) => ReshapeView)),
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
