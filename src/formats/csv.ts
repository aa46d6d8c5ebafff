/**
 * Rows as comma-separated values, as RFC 4180 has them: fields with commas, quotes or line breaks are quoted, lines end in
 * CR LF. A field that a table program would take for a formula begins with an apostrophe (OWASP, "CSV injection").
 *
 * @example writeCsv([["Note", "Says"], ["D", 'the "home"']]) // Note,Says and D,"the ""home"""
 */
export function writeCsv(rows: readonly (readonly string[])[]): string {
  const plain = (text: string) => (/^[=+\-@\t\r]/u.test(text) && !/^[+-]?\d/u.test(text) ? `'${text}` : text);
  const field = (written: string) => quoted(plain(written));
  const quoted = (text: string) => (/[",\r\n]/u.test(text) ? `"${text.replaceAll('"', '""')}"` : text);
  return rows.map((row) => `${row.map(field).join(",")}\r\n`).join("");
}
