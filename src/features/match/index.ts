import { lazy } from "react";
import { chartDocument, chordShape, type Feature, openIn, savedOpener } from "@/session";
import { MATCH, MATCH_SHOWS } from "./route";

export const match: Feature = {
  id: MATCH,
  name: "Match",
  about: "the mode for a row of chords",
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
