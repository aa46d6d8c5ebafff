import type { Problem, Reading } from "@/core/problem";
import type { Tune } from "@/core/tune";
import { type ParsedTune, tuneOf } from "./abc-tune";
import { MOST_NOTES } from "./notes";

/** A tune of an ABC file with the text that it stands in; `from` and `to` of its notes count from the start of that text. */
export interface AbcTune {
  readonly tune: Tune;
  readonly text: string;
  /** The same text, of the same length, without the lines that the engraver cannot take. */
  readonly engraving: string;
}

/**
 * Reads an ABC file: every tune in it, each with its notes spelled by key and accidentals, ties joined, tuplets timed,
 * with chord symbols, repeats and endings. The first voice is the melody, the others lie beneath it. Never throws on bad text.
 *
 * @example (await readAbc("X:1\nK:D\nDEF|")).value[0].tune.notes.length // 3
 */
export async function readAbc(text: string): Promise<Reading<readonly AbcTune[]>> {
  const { default: abcjs } = await import("abcjs");
  const problems: Problem[] = [];
  const value: AbcTune[] = [];
  for (const { start, part: whole } of tuneTexts(text)) {
    const { text: part, long } = withoutLongLines(whole);
    problems.push(...long.map((problem) => ({ ...problem, offset: problem.offset + start })));
    const parse = (abc: string) => abcjs.parseOnly(abc)[0] as unknown as ParsedTune | undefined;
    const { parsed, engraving, refused } = parseSafely(part, parse);
    problems.push(...refused.map((problem) => ({ ...problem, offset: problem.offset + start })));
    if (!parsed) continue;
    const tune = tuneOf(parsed, part);
    problems.push(
      ...warnings(parsed, part).map((problem) => ({ ...problem, offset: problem.offset + start })),
    );
    if (tune.notes.length >= MOST_NOTES)
      problems.push({ code: "too-long", offset: start, length: 1, found: String(MOST_NOTES) });
    if (tune.notes.length > 0) value.push({ tune, text: part, engraving });
    else problems.push({ code: "no-notes", offset: start, length: 1, found: tune.title });
  }
  if (value.length === 0 && problems.length === 0) {
    problems.push({ code: "no-tune", offset: 0, length: 0, found: text.slice(0, 40) });
  }
  return { value, problems };
}

/** Characters of a line that are read: the library takes far longer than linear time for one. */
const MOST_LINE = 12_000;

/** A text with lines blanked that are too long, so that everything else keeps its place; and those lines, named. */
function withoutLongLines(text: string): { readonly text: string; readonly long: readonly Problem[] } {
  if (text.length <= MOST_LINE) return { text, long: [] };
  const long: Problem[] = [];
  const lines = text.split("\n");
  let offset = 0;
  for (const [at, line] of lines.entries()) {
    if (line.length > MOST_LINE) {
      long.push({
        code: "line-too-long",
        offset,
        length: 1,
        found: String(line.length),
        expected: String(MOST_LINE),
      });
      lines[at] = "%".padEnd(line.length);
    }
    offset += line.length + 1;
  }
  return long.length === 0 ? { text, long } : { text: lines.join("\n"), long };
}

/** Where each tune begins: at its X: field. Text without one is a single tune; what stands before the first is its own. */
function tuneTexts(text: string): readonly { start: number; part: string }[] {
  const starts = [...text.matchAll(/^X:/gm)].map((found) => found.index);
  if (starts.length === 0) return text.trim() === "" ? [] : [{ start: 0, part: text }];
  return starts.map((start, at) => ({ start, part: text.slice(start, starts[at + 1]) }));
}

/**
 * Parses a tune although the library throws on some malformed lines: those are blanked, so that everything after them
 * keeps its place, and named; the rest is read.
 */
function parseSafely(text: string, parse: (abc: string) => ParsedTune | undefined) {
  const attempt = (abc: string): { readonly parsed: ParsedTune | undefined } | undefined => {
    try {
      return { parsed: parse(abc) };
    } catch {
      return undefined;
    }
  };
  const whole = attempt(text);
  if (whole) return { ...whole, engraving: text, refused: [] };
  const refused: Problem[] = [];
  const engraving = text.replaceAll(/^.+$/gm, (line, offset: number) => {
    if (attempt(line)) return line;
    refused.push({ code: "abc-unread", offset, length: line.length, found: line.slice(0, 80) });
    return "%".padEnd(line.length);
  });
  const rest = attempt(engraving);
  if (rest) return { ...rest, engraving, refused };
  const all: Problem = { code: "abc-unread", offset: 0, length: text.length, found: text.slice(0, 40) };
  return { parsed: undefined, engraving, refused: [...refused, all] };
}

/** More of the library's complaints than this say nothing new. */
const MOST_PROBLEMS = 50;

/** The library's warnings are sentences with markup; line and column in them count from the start of the tune's text. */
function warnings({ warnings: found = [] }: ParsedTune, text: string): readonly Problem[] {
  const starts = [0, ...[...text.matchAll(/\r\n|\r|\n/g)].map((end) => end.index + end[0].length)];
  return found.slice(0, MOST_PROBLEMS).flatMap((warning): readonly Problem[] => {
    const marked = /^Music Line:(\d+):(\d+): .*?<span[^>]*>(.*?)<\/span>/su.exec(warning);
    if (!marked) return [];
    const mark = unescaped(marked[3] ?? "");
    const offset = (starts[Number(marked[1]) - 1] ?? 0) + Number(marked[2]) - 1;
    return [
      {
        code: "abc-unread",
        offset: Math.min(offset, text.length),
        length: Math.max(1, mark.length),
        found: mark,
      },
    ];
  });
}

const unescaped = (text: string) =>
  text.replaceAll("&lt;", "<").replaceAll("&gt;", ">").replaceAll("&amp;", "&");
