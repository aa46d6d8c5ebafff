import { lazy } from "react";
import { DEMO_PROGRESSIONS } from "@/demo";
import { type Feature, goTo, openIn, savedOpener, whenReady } from "@/session";
import { chordShape } from "@/shell/shape/shape-document";
import { chartDocument } from "./chart-document";
import { finds } from "./finds";
import { MATCH } from "./route";
import { MATCH_HELP, MATCH_FIRST } from "@/words";
import { match } from "./manifest";

export const feature: Feature = {
  ...match,
  help: MATCH_HELP,
  firstStep: {
    text: MATCH_FIRST,
    go: () => openIn(MATCH, chartDocument, { chords: "| Em9 | A13 |", title: "" }, "chart"),
  },
  finds,
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
  opensDemo: () => {
    const [{ chords, title }] = DEMO_PROGRESSIONS;
    if (chartDocument.$value.get().chords === "") chartDocument.open({ chords, title });
  },
  View: lazy(() => import("./MatchView").then(({ MatchView }) => ({ default: MatchView }))),
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
