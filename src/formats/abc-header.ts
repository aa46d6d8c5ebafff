/** A file header is no longer than this. */
const MAX_HEADER = 4096;

/** Fields and directives of a file header that apply to every tune (the ABC standard 2.1, section 3). */
const APPLIES = /^(?:[ABCDFGHILMmNORrSUZ]:|%%)/u;

/**
 * The fields that apply to all tunes of an ABC file: those at its head, before a line that is empty or the first tune. The fields of a tune come after
 * them and count for more. Empty where there are none.
 *
 * @example abcHeader("M:6/8\nL:1/8\n\nX:1\nK:D\nDEF|") // "M:6/8\nL:1/8\n"
 */
export function abcHeader(text: string): string {
  const first = /^X:/mu.exec(text)?.index ?? 0;
  const lines = text
    .slice(0, Math.min(first, MAX_HEADER))
    .trimStart()
    .split(/\r\n|\r|\n/u);
  const blank = lines.findIndex((line) => line.trim() === "");
  return lines
    .slice(0, blank < 0 ? lines.length : blank)
    .flatMap((line) => (APPLIES.test(line) ? [`${line}\n`] : []))
    .join("");
}

/** Where the header comes into the text of a tune: after its number, or at its start. */
const headerPlace = (text: string): number => /^X:.*(?:\r\n|\r|\n)/u.exec(text)?.[0].length ?? 0;

/**
 * The text of a tune with the fields of its file, and where a place in it stands in the text that it was made from.
 *
 * @example withAbcHeader("X:1\nK:D\n", "L:1/8\n").text // "X:1\nL:1/8\nK:D\n"
 */
export function withAbcHeader(
  text: string,
  header: string,
): { readonly text: string; readonly back: (offset: number) => number } {
  const place = headerPlace(text);
  if (header === "" || place === 0) return { text, back: (offset) => offset };
  return {
    text: text.slice(0, place) + header + text.slice(place),
    back: (offset) => (offset < place ? offset : Math.max(place, offset - header.length)),
  };
}
