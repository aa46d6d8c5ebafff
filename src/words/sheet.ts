import { type HomeMode, notesOf } from "@/core/scale";
import { homeModeText, listText, noteText, numberText } from "./names";

/** The sheets that are printed. */
export const LEAD_SHEET = "Lead sheet";
export const TUNE_SHEET = "Tune sheet";

/** "Orchard Gate, page 1 of 2". */
export const pageText = (name: string, page: number, pages: number): string =>
  `${name}, page ${page} of ${pages}`;

/**
 * Bars as spans: "bars 1 to 4", "bars 1 to 4 and 9", "bar 3".
 *
 * @example barSpansText([1, 2, 3, 4, 9]) // "bars 1 to 4 and 9"
 */
export function barSpansText(bars: readonly number[]): string {
  const spans: [number, number][] = [];
  for (const bar of [...new Set(bars)].toSorted((a, b) => a - b)) {
    const last = spans.at(-1);
    if (last && bar === last[1] + 1) last[1] = bar;
    else spans.push([bar, bar]);
  }
  const said = spans.map(([from, to]) =>
    from === to ? String(from) : to === from + 1 ? `${from} and ${to}` : `${from} to ${to}`,
  );
  const isOne = spans.length === 1 && spans[0]?.[0] === spans[0]?.[1];
  return `${isOne ? "bar" : "bars"} ${listText(said)}`;
}

export const NO_ROOM_ON_SHEET = "This neck has no room for these positions.";

export const lineTooShortText = (figure: string): string =>
  `This neck is too short for ${figure} over so many octaves.`;

export const sheetFullText = (most: number): string => `A sheet has ${numberText(most)} modes at most.`;

/** The drawing of a mode sheet, to those who do not see it. */
export const modeSheetText = (homeMode: HomeMode, plain: string): string =>
  `Mode sheet of ${homeModeText(homeMode)}: ${notesOf(homeMode).map(noteText).join(" ")}. ${plain}`;

/** Why a sheet could not be saved. */
export const sheetFailedText = (error: unknown): string =>
  `The file couldn’t be saved: ${error instanceof Error ? error.message : String(error)}. Print it to a file instead.`;
