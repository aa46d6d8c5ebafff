import { lazy } from "react";
import { chartDocument, chordShape, type Feature, openIn, savedOpener } from "@/session";
import { finds } from "./finds";
import { MATCH, MATCH_SHOWS } from "./route";

export const match: Feature = {
  id: MATCH,
  name: "Match",
  about: "the mode for a row of chords",
  help: "Type chords, with a bar line between the bars. Under them you see which mode fits where. Press a chord to see its target note, what decides the mode, and where it lies on the stage.",
  firstStep: {
    text: "Find the mode for Em9 A13",
    go: () => openIn(MATCH, chartDocument, { chords: "| Em9 | A13 |", title: "" }, "chart"),
  },
  finds,
  parts: MATCH_SHOWS,
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
