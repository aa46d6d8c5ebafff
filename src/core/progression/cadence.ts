import { modulo } from "../pitch";
import type { Heard } from "./home";

/** The second degree of a home, as it stands before its dominant. */
export const isTwoOf = (home: number, heard: Heard | undefined): boolean =>
  heard !== undefined && (heard.kind === "m" || heard.kind === "d") && modulo(heard.root - home, 12) === 2;

/** The dominant of a home, suspended or a plain triad too. */
export const isFiveOf = (home: number, heard: Heard | undefined): boolean =>
  heard !== undefined &&
  modulo(heard.root - home, 12) === 7 &&
  (heard.kind === "7" || heard.kind === "M" || (heard.kind === "s" && heard.seventh));

/** Whether a chord leads to a home: its dominant, a dominant a half step above it, a diminished chord a half step below it. */
export function leadsTo(home: number, heard: Heard | undefined): boolean {
  if (!heard) return false;
  const above = modulo(heard.root - home, 12);
  return (
    isFiveOf(home, heard) ||
    (above === 1 && heard.kind === "7") ||
    (above === 11 && (heard.kind === "d" || heard.kind === "o"))
  );
}

/** Whether a home comes to rest in a chord. */
export const rests = (home: number, heard: Heard | undefined): boolean =>
  heard?.root === home && (heard.kind === "M" || heard.kind === "m");

/** Whether a home is arrived at in a chord: it rests there, after what leads to it. */
export const arrives = (home: number, heard: readonly Heard[], at: number): boolean =>
  rests(home, heard[at]) && leadsTo(home, heard[at - 1]);
