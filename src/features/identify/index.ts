import { later } from "@/kit/later";
import { type Feature, openIn, savedOpener, withPart } from "@/session";
import { BLANK_TUNE, tuneDocument } from "./tune-document";
import { SOURCE_TEXT, IDENTIFY_HELP } from "@/words";
import { IDENTIFY } from "./route";
import { identify } from "./manifest";

export const feature: Feature = {
  ...identify,
  help: IDENTIFY_HELP,
  firstStep: () =>
    void withPart(
      "The demo",
      () => import("@/demo"),
      ({ DEMO_TUNES: [{ source, text, title }] }) =>
        openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source, text, name: title }, "tune"),
    ),
  finds: () => import("./finds").then(({ finds }) => finds),
  opensDemo: async () => {
    const { DEMO_TUNES } = await import("@/demo");
    const [, { source, text, title }] = DEMO_TUNES;
    if (tuneDocument.$value.get().text === "")
      tuneDocument.open({ ...BLANK_TUNE, source, text, name: title });
  },
  View: later(() => import("./IdentifyView").then(({ IdentifyView }) => IdentifyView)),
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
