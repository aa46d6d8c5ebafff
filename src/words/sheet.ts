import { listText } from "./names";

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
