import Papa from "papaparse";

/** What a table program would take for a formula: a sign that no number follows. */
const FORMULA = /^(?:[=@\t\r]|[+-](?!\d))/u;

/**
 * Rows as comma-separated values, as RFC 4180 has them, lines ending in CR LF. A field that a table program would take for a formula
 * begins with an apostrophe (OWASP, "CSV injection").
 *
 * @example writeCsv([["Note", "Says"], ["D", 'the "home"']]) // Note,Says and D,"the ""home"""
 */
export const writeCsv = (rows: readonly (readonly string[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => row.map((field) => (FORMULA.test(field) ? `'${field}` : field))),
    { newline: "\r\n" },
  )}\r\n`;

/** A row of a table, by the names of its columns. */
export type TableRow = Readonly<Record<string, string>>;

/** Rows that are read at most. */
const MAX_ROWS = 200_000;

/**
 * A table with a heading, a row at a time, by the names of its columns. Whatever the text is, nothing is thrown: columns that a row
 * lacks are left out. Commas, semicolons and tabs are told apart by the text.
 *
 * @example readCsv("day,minutes\n2026-11-28,5") // [{ day: "2026-11-28", minutes: "5" }]
 */
export function readCsv(text: string): readonly TableRow[] {
  const { data } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/u, ""), {
    header: true,
    skipEmptyLines: "greedy",
    preview: MAX_ROWS,
    transformHeader: (name) => name.trim().toLowerCase(),
    // The apostrophe that kept a field from being a formula.
    transform: (field) => (field.startsWith("'") && FORMULA.test(field.slice(1)) ? field.slice(1) : field),
  });
  return data;
}
