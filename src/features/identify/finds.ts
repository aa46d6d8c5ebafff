import { type Finding, openIn } from "@/session";
import { BLANK_TUNE, tuneDocument } from "./tune-document";
import { FIND_TUNE } from "@/words";
import { IDENTIFY } from "./route";

/** So many notes are a tune rather than a chord or a scale. */
const FEWEST = 8;

/** A note as it is typed: "A4:1", "b", "F#5:0.5". */
const NOTE = /^[A-Ga-g](?:#|b|♯|♭){0,2}\d?(?::\d*\.?\d+)?$/u;

/** Notes that were typed into Find. */
export function finds(text: string): readonly Finding[] {
  const words = text.split(/[\s|]+/u).filter((word) => word !== "");
  if (words.length < FEWEST || !words.every((word) => NOTE.test(word))) return [];
  return [
    {
      key: `tune ${text}`,
      text: text.trim().slice(0, 60),
      does: FIND_TUNE,
      isSure: true,
      go: () => openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source: "notes", text: text.trim() }, "tune"),
    },
  ];
}
