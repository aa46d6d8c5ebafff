import type { Problem, Reading } from "../problem";
import type { Chord } from "./chord";
import { readSymbol } from "./read";

/** One chord's place in a chart. What nobody could read keeps its place, with no chord. */
export interface ChartChord {
  /** Bar, from 1. */
  readonly bar: number;
  /** Length in bars: chords of a bar share it evenly. */
  readonly length: number;
  readonly symbol: string;
  readonly chord?: Chord | undefined;
  /** Where the symbol stands in the text. */
  readonly offset: number;
}

/** Longer charts are cut, with a problem that says so. */
export const MOST_CHORDS = 2000;

interface Token {
  readonly text: string;
  readonly offset: number;
}

/** Bar lines part bars; without any, every chord is a bar of its own. Spaces inside parentheses belong to the symbol. */
function tokens(text: string): readonly Token[] {
  return [...text.matchAll(/\|\]|\|+:?|:\|+:?|[^\s|:(]*(?:\([^)|]*\)[^\s|:(]*)+|[^\s|:]+/gu)].map(
    (found) => ({
      text: found[0],
      offset: found.index,
    }),
  );
}

const isBarLine = ({ text }: Token) => /^[|:]/u.test(text);

/**
 * Reads a line of chords: `| Em9 | A13 D7 | % | N.C. |`. `%` repeats the bar before, `/` the chord before within its
 * bar, `N.C.` is a bar without a chord. Never throws; unread symbols keep their place.
 *
 * @example readChart("| Em9 | A13 |").value.map((each) => each.symbol) // ["Em9", "A13"]
 */
export function readChart(text: string): Reading<readonly ChartChord[]> {
  const all = tokens(text);
  const lined = all.some(isBarLine);
  const bars: Token[][] = [[]];
  for (const token of all) {
    if (isBarLine(token) || (!lined && bars.at(-1)?.length)) bars.push([]);
    if (!isBarLine(token)) bars.at(-1)?.push(token);
  }
  const problems: Problem[] = [];
  const value: ChartChord[] = [];
  let before: readonly ChartChord[] = [];
  for (const [at, bar] of bars.filter((each) => each.length > 0).entries()) {
    before = readBar(bar, at + 1, before, problems);
    value.push(...before);
    if (value.length > MOST_CHORDS) {
      const cut = value[MOST_CHORDS];
      problems.push({ code: "too-long", offset: cut?.offset ?? 0, length: 1, found: String(value.length) });
      return { value: value.slice(0, MOST_CHORDS), problems };
    }
  }
  return { value, problems };
}

function readBar(
  bar: readonly Token[],
  number: number,
  before: readonly ChartChord[],
  problems: Problem[],
): readonly ChartChord[] {
  const beats = bar.flatMap(({ text, offset }): readonly Omit<ChartChord, "bar" | "length">[] => {
    if (text === "%") {
      if (before.length === 0) problems.push({ code: "repeat-of-nothing", offset, length: 1, found: text });
      return before.map((each) => ({ ...each, offset }));
    }
    return [{ symbol: text, offset }];
  });
  const read: ChartChord[] = [];
  for (const beat of beats) {
    const last = read.at(-1) ?? before.at(-1);
    if (beat.symbol === "/" && read.length > 0 && last) {
      read[read.length - 1] = { ...last, length: last.length + 1 };
    } else if (beat.symbol === "/" && last) {
      read.push({ ...last, bar: number, length: 1, offset: beat.offset });
    } else if (/^n\.?c\.?$/iu.test(beat.symbol)) {
      read.push({ ...beat, symbol: "N.C.", chord: undefined, bar: number, length: 1 });
    } else {
      read.push({ ...beat, ...readPlace(beat, problems), bar: number, length: 1 });
    }
  }
  const whole = read.reduce((sum, each) => sum + each.length, 0);
  return read.map((each) => ({ ...each, length: each.length / whole }));
}

function readPlace(
  { symbol, offset, chord }: Omit<ChartChord, "bar" | "length">,
  problems: Problem[],
): { chord?: Chord } {
  if (chord) return { chord };
  const reading = readSymbol(symbol);
  if ("chord" in reading) return { chord: reading.chord };
  const { code, offset: within, found, expected } = reading.unread;
  problems.push({ code, offset: offset + within, length: Math.max(1, found.length), found, expected });
  return {};
}
