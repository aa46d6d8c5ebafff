import { lazy } from "react";
import { chartDocument, chordShape, type Feature, openIn, savedOpener } from "@/session";
import { finds } from "./finds";
import { MATCH, MATCH_SHOWS } from "./route";
import { MATCH_ABOUT, MATCH_HELP, MATCH_FIRST } from "@/words";

export const match: Feature = {
  id: MATCH,
  name: "Match",
  about: MATCH_ABOUT,
  help: MATCH_HELP,
  firstStep: {
    text: MATCH_FIRST,
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
