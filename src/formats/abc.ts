import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import type { Tune } from "@/core/tune";
import { abcHeader, withAbcHeader } from "./abc-header";
import { type ParsedTune, tuneOf } from "./abc-tune";
import { MAX_NOTES } from "./notes";

/** A tune of an ABC file with its own text, in which the fields of its file stand as well; `from` and `to` of its notes count from the start of that text. */
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
 * @param header fields that apply to every tune, where the text is a part of a file; otherwise those at its head
 * @example (await readAbc("X:1\nK:D\nDEF|")).value[0].tune.notes.length // 3
 */
export async function readAbc(text: string, header = abcHeader(text)): Promise<Reading<readonly AbcTune[]>> {
  const { default: abcjs } = await import("abcjs");
  const strange = noMusic(text);
  if (strange !== undefined) return { value: [], problems: [wholeProblem("not-music", strange)] };
  const problems: Problem[] = [];
  const value: AbcTune[] = [];
  for (const { start, part: whole } of tuneTexts(text)) {
    const { text: own, left } = readable(whole);
    const { text: part, back } = withAbcHeader(own, header);
    const inFile = (found: readonly Problem[]) =>
      found.map((problem) => ({ ...problem, offset: start + back(problem.offset) }));
    problems.push(...left.map((problem) => ({ ...problem, offset: problem.offset + start })));
    const parse = (abc: string) => {
      // A tuplet that a text breaks off in goes on in the next text that the library reads, whoever’s it is.
      abcjs.parseOnly(ONE_NOTE);
      return abcjs.parseOnly(abc)[0] as unknown as ParsedTune | undefined;
    };
    const { parsed, engraving, refused } = parseSafely(part, parse);
    problems.push(...inFile(refused));
    if (!parsed) continue;
    const { value: tune, problems: unheld } = tuneOf(parsed, part);
    problems.push(...inFile([...warnings(parsed, part), ...unheld]));
    if (tune.notes.length >= MAX_NOTES)
      problems.push({ code: "too-long", offset: start, length: 1, found: String(MAX_NOTES) });
    if (tune.notes.length > 0) value.push({ tune, text: part, engraving });
    else problems.push({ code: "no-notes", offset: start, length: 1, found: tune.title });
  }
  if (value.length === 0 && problems.length === 0) {
    problems.push(wholeProblem("no-tune", text.slice(0, 40)));
  }
  return { value, problems };
}

/** A text without any field of ABC is music from so many notes on, where so much of it reads as music. */
const WITHOUT_FIELDS = { notes: 8, share: 0.8 };

/** The beginning of a text that has no field of ABC and isn’t music either; undefined for all others. */
function noMusic(text: string): string | undefined {
  if (text.trim() === "" || /^\s*[A-Za-z]:|^%|^\s*\[[A-Za-z]:/mu.test(text)) return undefined;
  const letters = text.replaceAll(/"[^"]*"|![^!]*!/gu, "").match(/\p{L}/gu) ?? [];
  const notes = letters.filter((letter) => /[A-Ga-g]/u.test(letter)).length;
  const music = letters.filter((letter) => /[A-Ga-gxyzXZ]/u.test(letter)).length;
  const isMusic = notes >= WITHOUT_FIELDS.notes && music >= WITHOUT_FIELDS.share * letters.length;
  return isMusic ? undefined : text.trim().slice(0, 40);
}

const ONE_NOTE = "X:1\nK:C\nC|";

/**
 * What of a tune is read, whatever its length. The library takes far longer than linear time for longer lines, for more voices, for more
 * voices within bars (500 in one bar: ten seconds), and for lines of nothing but marks, each of which it complains of with all of the line
 * (4,000: three seconds). Music has a tenth of any of it.
 */
const MAX = {
  line: 12_000,
  voices: 64,
  overlays: 1000,
  overlaysInBar: 16,
  marks: 1000,
  marksInRow: 32,
} as const;

/** A mark that is repeated too often in a row. */
const ROW_OF_MARKS = new RegExp(`([^\\w\\s|:*])\\1{${MAX.marksInRow - 1}}`, "u");

/** What is neither a letter, a digit, a space nor a bar line. */
const MARKS = /[^\w\s|:*"]/gu;

/** Why a line of music is left out, what was found and what would do; undefined where it is read. */
function excess(line: string): readonly [code: Problem["code"], found: string, expected: number] | undefined {
  if (line.length > MAX.line) return ["line-too-long", String(line.length), MAX.line];
  if (/^[A-Za-z]:|^%/u.test(line)) return undefined;
  const row = ROW_OF_MARKS.exec(line)?.[1];
  if (row !== undefined) return ["abc-unread", row.repeat(3), MAX.marksInRow];
  const marks = line.match(MARKS)?.length ?? 0;
  if (marks > MAX.marks) return ["line-too-long", String(marks), MAX.marks];
  const inBar = Math.max(...line.split("|").map((bar) => bar.split("&").length - 1));
  return inBar > MAX.overlaysInBar ? ["too-many-voices", "&", MAX.overlaysInBar] : undefined;
}

/** A text with lines blanked that hold too much, so that everything else keeps its place; and the first of each kind, named. */
function readable(text: string): { readonly text: string; readonly left: readonly Problem[] } {
  const left: Problem[] = [];
  const voices = new Set<string>();
  let overlays = 0;
  let isBeyond = false;
  let offset = 0;
  const lines = text.split("\n");
  const blank = (at: number, code: Problem["code"], found: string, expected: number) => {
    const line = lines[at] ?? "";
    if (code === "line-too-long" || left.every((problem) => problem.code !== code))
      left.push({ code, offset, length: 1, found, expected: String(expected) });
    lines[at] = "%".padEnd(line.length);
  };
  for (const [at, line] of lines.entries()) {
    const voice = /^(?:V:|\[V:)\s*([^\s\]]+)/u.exec(line)?.[1];
    if (voice !== undefined) {
      isBeyond = !voices.has(voice) && voices.size >= MAX.voices;
      if (!isBeyond) voices.add(voice);
    }
    if (!/^[A-Za-z]:|^%/u.test(line)) overlays += line.split("&").length - 1;
    const tooMuch = excess(line);
    if (tooMuch) blank(at, ...tooMuch);
    else if (isBeyond) blank(at, "too-many-voices", voice ?? "", MAX.voices);
    else if (overlays > MAX.overlays && line.includes("&")) blank(at, "too-many-voices", "&", MAX.overlays);
    offset += line.length + 1;
  }
  return left.length === 0 ? { text, left } : { text: lines.join("\n"), left };
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
const MAX_PROBLEMS = 50;

/** The library's warnings are sentences with markup; line and column in them count from the start of the tune's text. */
function warnings({ warnings: found = [] }: ParsedTune, text: string): readonly Problem[] {
  const starts = [0, ...[...text.matchAll(/\r\n|\r|\n/g)].map((end) => end.index + end[0].length)];
  return found.slice(0, MAX_PROBLEMS).flatMap((warning): readonly Problem[] => {
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
