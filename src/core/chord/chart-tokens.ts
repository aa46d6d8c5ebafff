import type { NoteNaming } from "../pitch";
import { readSymbol } from "./read";

/** What stands in a chart's text. `other` is taken for a chord and may turn out not to be one. */
type ChartTokenKind =
  | "bar-line"
  | "ending"
  | "times"
  | "section"
  | "meter"
  | "lock"
  | "repeat-bar"
  | "beat"
  | "silence"
  | "comment"
  | "other";

/** A piece of a chart's text; offsets count UTF-16 units. */
export interface ChartToken {
  readonly kind: ChartTokenKind;
  readonly text: string;
  readonly offset: number;
}

/**
 * Tried in order at each place. Bar lines come before endings, since an ending follows a bar line without a space; spaces inside
 * parentheses belong to the symbol.
 */
const PATTERNS: readonly (readonly [ChartTokenKind, RegExp])[] = [
  ["comment", /(?<=^|\n)[^\S\n]*#[^\n]*/uy],
  ["section", /(?<=^|\n)[^\S\n]*[^\s|:{}[\]#][^|:{}[\]\n]*:(?=[^\S\n]*(?:\n|$))/uy],
  ["bar-line", /:\|+:?|\|+\]|\[\||\|+:?/uy],
  ["ending", /\[?\d(?:[,-]\d)*\.(?=\s|$)|\[\d(?:[,-]\d)*(?=\s|$)|(?<=\|)\d(?:[,-]\d)*(?=\s|$)/uy],
  ["section", /\[[^[\]\n|]+\]/uy],
  ["lock", /\{[^{}\n|]*\}/uy],
  ["meter", /\d{1,2}\/(?:2|4|8|16)(?=[\s|]|$)/uy],
  ["times", /\(?[x×]\s?\d{1,2}\)?(?=[\s|]|$)|\d{1,2}[x×](?=[\s|]|$)/uy],
  ["repeat-bar", /%(?=[\s|:]|$)/uy],
  ["beat", /[/.](?=[\s|:]|$)/uy],
  ["silence", /n\.?c\.?(?=[\s|:]|$)/iuy],
  ["other", /[^\s|:({}[\]]*(?:\([^)|\n]*\)[^\s|:({}[\]]*)+|[^\s|:{}[\]]+|[^\s]/uy],
];

/**
 * The pieces of a chart's text in order; what lies between them is space. Everything that is typed is in one of them.
 *
 * @example chartTokens("|: Em9 | % :| x3").map(({ kind }) => kind) // bar-line other bar-line repeat-bar bar-line times
 */
export function chartTokens(written: string, naming: NoteNaming = "english"): readonly ChartToken[] {
  const tokens: ChartToken[] = [];
  let at = 0;
  const text = withoutBrackets(written, naming);
  while (at < text.length) {
    const found = tokenAt(text, at);
    if (found) tokens.push(found);
    at = found ? found.offset + found.text.length : at + 1;
  }
  return tokens;
}

/** Chords in parentheses, one or several, that may be played or left out. */
const BRACKETED = /(?<=^|[\s|:])\(([^()|\n]*(?:\([^()|\n]*\)[^()|\n]*)*)\)(?=$|[\s|:])/gu;
const SILENT = /^n\.?c\.?$/iu;

/** The text with the parentheses round whole chords blanked, so that every chord keeps its place. */
const withoutBrackets = (text: string, naming: NoteNaming): string =>
  text.replaceAll(BRACKETED, (all: string, inner: string) => {
    const words = inner.split(/\s+/u).filter((word) => word !== "");
    const isChord = (word: string) => SILENT.test(word) || "chord" in readSymbol(word, naming);
    return words.length > 0 && words.every(isChord) ? ` ${inner} ` : all;
  });

function tokenAt(text: string, at: number): ChartToken | undefined {
  for (const [kind, pattern] of PATTERNS) {
    pattern.lastIndex = at;
    const found = pattern.exec(text)?.[0];
    if (found === undefined || found === "") continue;
    const blank = found.length - found.trimStart().length;
    return { kind, text: found.trimStart(), offset: at + blank };
  }
  return undefined;
}
