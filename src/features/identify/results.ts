import { printName, soundOf } from "@/core/pitch";
import { mode } from "@/core/scale";
import { writeCsv } from "@/formats";
import type { Row } from "./collection-rows";

/** Kinds of rows: degrees left open, key against what was found, more than one passage, not sure, no answer. */
export const ONLY = ["undecided", "key", "passages", "unsure", "none"] as const;

/** Which rows of a collection are shown. */
export interface RowFilter {
  /** Id of a mode. */
  readonly mode?: string | undefined;
  /** By sound, 0 is C. */
  readonly home?: number | undefined;
  readonly only?: (typeof ONLY)[number] | undefined;
  /** Letters in the title. */
  readonly title?: string | undefined;
}

/** An answer with less weight than this is not sure. */
const UNSURE = 0.6;

/** Whether a row passes a filter. */
export function passes({ title, found, agrees }: Row, filter: RowFilter): boolean {
  if (filter.title && !title.toLowerCase().includes(filter.title.toLowerCase())) return false;
  if (filter.mode !== undefined && found?.mode !== filter.mode) return false;
  if (filter.home !== undefined && (!found || soundOf(found.home) !== filter.home)) return false;
  switch (filter.only) {
    case undefined:
      return true;
    case "undecided":
      return (found?.undecided.length ?? 0) > 0;
    case "key":
      return agrees !== undefined && agrees !== "same";
    case "passages":
      return (found?.passages ?? 1) > 1;
    case "unsure":
      return found !== undefined && found.weight < UNSURE;
    case "none":
      return found === undefined;
  }
}

/** A row as it is written into a file of results. */
interface Result {
  readonly file: string;
  readonly title: string;
  readonly home: string;
  readonly mode: string;
  readonly weight: number | undefined;
  readonly undecided: string;
  readonly declared: string;
  readonly key: string;
  readonly bars: number;
  readonly notes: number;
  readonly passages: number | undefined;
}

/** What is told of a row, with names as files have them. */
function resultOf({ file, title, found, declared, agrees, bars, notes }: Row): Result {
  return {
    file: file.name,
    title,
    home: found ? printName(found.home) : "",
    mode: found?.mode ?? "",
    weight: found && Math.round(found.weight * 1e4) / 1e4,
    undecided: found?.undecided.join(" ") ?? "",
    declared: declared ? `${printName(declared.home)} ${declared.mode}` : "",
    key: agrees ?? "",
    bars,
    notes,
    passages: found?.passages,
  };
}

const COLUMNS: readonly (keyof Result)[] = [
  "file",
  "title",
  "home",
  "mode",
  "weight",
  "undecided",
  "declared",
  "key",
  "bars",
  "notes",
  "passages",
];

/** The results as comma-separated values, the names of the columns first. */
export const resultsCsv = (rows: readonly Row[]): string =>
  writeCsv([COLUMNS, ...rows.map(resultOf).map((row) => COLUMNS.map((column) => String(row[column] ?? "")))]);

/** The results as JSON. */
export const resultsJson = (rows: readonly Row[]): string =>
  `${JSON.stringify({ tunes: rows.map(resultOf) }, null, 2)}\n`;

/** How many tunes are in each mode, the commonest first. */
export function countByMode(rows: readonly Row[]) {
  const counts = new Map<string, number>();
  for (const { found } of rows) if (found) counts.set(found.mode, (counts.get(found.mode) ?? 0) + 1);
  return [...counts].map(([id, count]) => ({ mode: mode(id), count })).sort((a, b) => b.count - a.count);
}
