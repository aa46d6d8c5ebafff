import { later } from "@/kit/later";
import { type Feature, goTo, openIn, savedOpener, whenReady } from "@/session";
import { chordShape } from "@/shell/shape/shape-document";
import { chartDocument } from "./chart-document";
import { MATCH } from "./route";
import { MATCH_HELP } from "@/words";
import { match } from "./manifest";

export const feature: Feature = {
  ...match,
  help: MATCH_HELP,
  firstStep: () => openIn(MATCH, chartDocument, { chords: "| Em9 | A13 |", title: "" }, "chart"),
  finds: () => import("./finds").then(({ finds }) => finds),
  takes: {
    chords: (line) => {
      goTo(MATCH, { part: "chart" });
      // The chart may still be on its way from storage or from a link.
      whenReady(() => {
        const before = chartDocument.$value.get().chords.trimEnd();
        chartDocument.change({ chords: before === "" ? line : `${before}\n${line}` });
      });
    },
  },
  opensChords: (chords) => {
    if (chords.trim() !== chartDocument.$value.get().chords.trim()) {
      const linked = chartDocument.read({ chords, title: "" });
      if (linked) chartDocument.open(linked);
    }
  },
  opensDemo: async () => {
    const { DEMO_PROGRESSIONS } = await import("@/demo");
    const [{ chords, title }] = DEMO_PROGRESSIONS;
    if (chartDocument.$value.get().chords === "") chartDocument.open({ chords, title });
  },
  View: later(() => import("./MatchView").then(({ MatchView }) => MatchView)),
  undoes: (part) => (part === "over-bass" ? chordShape : chartDocument),
  files: { kinds: ["chordpro", "chart", "musicxml", "midi"], part: "chart" },
  saved: [
    savedOpener({
      kind: "progression",
      plural: "Progressions",
      line: ({ chords }) => chords.slice(0, 300),
      open: ({ chords, title }) => {
        openIn(MATCH, chartDocument, { chords, title }, "chart");
      },
    }),
  ],
};
