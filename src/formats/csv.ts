/**
 * Rows as comma-separated values, as RFC 4180 has them: fields with commas, quotes or line breaks are quoted, lines end in
 * CR LF.
 *
 * @example writeCsv([["Note", "Says"], ["D", 'the "home"']]) // Note,Says and D,"the ""home"""
 */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  const field = (text: string) => (/[",\r\n]/u.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return rows.map((row) => `${row.map(field).join(",")}\r\n`).join("");
}
