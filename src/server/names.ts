import { type Fifths, type Interval, printDegree, printName } from "@/core/pitch";

/** Notes by name in ASCII. */
export const names = (notes: readonly Fifths[]): string[] => notes.map((note) => printName(note));

/** Degrees in ASCII. */
export const degrees = (intervals: readonly Interval[]): string[] =>
  intervals.map((interval) => printDegree(interval));
