import { lazy } from "react";
import { chartDocument, chordShape, type Feature, goTo, savedOpener } from "@/session";
import { MATCH, MATCH_SHOWS } from "./route";

export const match: Feature = {
  id: MATCH,
  name: "Match",
  about: "the mode for a row of chords",
  parts: MATCH_SHOWS,
  View: lazy(() => import("./MatchView").then(({ MatchView }) => ({ default: MatchView }))),
  undoes: (part) => (part === "over-bass" ? chordShape : chartDocument),
  files: ["chordpro", "chart", "musicxml", "midi"],
  saved: [
    savedOpener({
      kind: "progression",
      plural: "Progressions",
      line: ({ chords }) => chords.slice(0, 300),
      open: ({ chords, title }) => {
        goTo(MATCH, { part: "chart" });
        chartDocument.open({ chords, title });
      },
    }),
  ],
};
