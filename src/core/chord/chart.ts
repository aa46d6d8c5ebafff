import { type Fifths, maybeFifthsIn, type NoteNaming } from "../pitch";
import type { Problem, Reading } from "../problem";
import { type Mode, nearestMode } from "../scale";
import type { Chord } from "./chord";
import { type ChartToken, chartTokens } from "./chart-tokens";
import { type BarSigns, playOrder } from "./play-order";
import { readSymbol } from "./read";

/** What is set by hand for a stretch of a chart: its home, its mode, or both. One object for one stretch. */
export interface Lock {
  readonly home?: Fifths | undefined;
  readonly mode?: Mode | undefined;
}

/** One chord's place in a chart. What nobody could read keeps its place, with no chord. */
export interface ChartChord {
  /** Bar, from 1, as they are written. */
  readonly bar: number;
  /** Length in bars: chords of a bar share it evenly, each slash beat with the chord before. */
  readonly length: number;
  /** How often it is played, repeats and endings taken. */
  readonly times: number;
  readonly symbol: string;
  readonly chord?: Chord | undefined;
  /** Where the symbol stands in the text. */
  readonly offset: number;
  readonly lock?: Lock | undefined;
}

/** Beats of a bar and the note that one of them is: 6 and 8 for 6/8. */
export interface BarMeter {
  readonly beats: number;
  readonly unit: number;
}

/** A written bar: its chords are `from` up to and without `to`. */
export interface ChartBar extends BarSigns {
  readonly number: number;
  readonly from: number;
  readonly to: number;
  readonly meter: BarMeter;
  /** The name of the section that begins here. */
  readonly section?: string | undefined;
}

/** A chart as read: its chords and bars as they are written, and the chords in the order in which they are played. */
export interface Chart {
  readonly chords: readonly ChartChord[];
  readonly bars: readonly ChartBar[];
  /** Places in `chords`. */
  readonly order: readonly number[];
}

/** Longer charts are cut, with a problem that says so. */
export const MAX_CHORDS = 2000;

/** Bars played at most, however many repeats are written. */
const MAX_PLAYED = 4000;

const COMMON: BarMeter = { beats: 4, unit: 4 };

/** Quarter notes in a bar: 3 for 6/8. */
export const quartersOf = ({ beats, unit }: BarMeter): number => (beats * 4) / unit;

/** A bar while it is being read. */
interface OpenBar {
  readonly chords: { token: ChartToken; lock: Lock | undefined }[];
  opens: boolean;
  times: number;
  endings: readonly number[];
  meter: BarMeter;
  section: string | undefined;
}

/**
 * Reads a chart: `|: Em9 | A13 D7 | % | N.C. :|`. Without any bar line every chord is a bar of its own.
 *
 * `%` repeats the bar before; `/` or `.` is a beat of the chord before; `|1.` and `|2.` begin endings; `x3` after a repeat
 * says how often; `3/4` sets the meter; `[Verse]` or a line `Verse:` begins a section; a line from `#` on is a comment;
 * chords in parentheses count as others do; `{E Dorian}`, `{E}` or `{Dorian}` sets home or mode by hand up to the next braces, `{}` ends it. Never throws; what
 * nobody can read keeps its place and its bar.
 *
 * @example readChart("| Em9 | A13 |").value.chords.map((each) => each.symbol) // ["Em9", "A13"]
 */
export function readChart(text: string, naming: NoteNaming = "english"): Reading<Chart> {
  const problems: Problem[] = [];
  const open = openBars(text, naming, problems).filter(({ chords }) => chords.length > 0);
  const read: (Omit<ChartChord, "times"> & { readonly at: number })[] = [];
  const bars: ChartBar[] = [];
  let before: readonly BarChord[] = [];
  for (const [at, { chords, ...signs }] of open.entries()) {
    const from = read.length;
    before = readBar(chords, before, naming, problems);
    read.push(...before.map((each) => ({ ...each, bar: at + 1, at })));
    if (read.length > MAX_CHORDS || (read.length === MAX_CHORDS && at < open.length - 1)) {
      const cut = read[MAX_CHORDS];
      problems.push({ code: "too-long", offset: cut?.offset ?? 0, length: 1, found: String(read.length) });
      read.length = MAX_CHORDS;
    }
    if (from < read.length) bars.push({ ...signs, number: at + 1, from, to: read.length });
    if (read.length >= MAX_CHORDS) break;
  }
  const played = playOrder(bars, MAX_PLAYED);
  const times = Array.from({ length: bars.length }, () => 0);
  for (const at of played) times[at] = (times[at] ?? 0) + 1;
  const order = played.flatMap((at) => {
    const { from, to } = bars[at] ?? { from: 0, to: 0 };
    return Array.from({ length: to - from }, (_, chord) => from + chord);
  });
  const chords = read.map(({ at, ...each }): ChartChord => ({ ...each, times: Math.max(1, times[at] ?? 1) }));
  return { value: { chords, bars, order }, problems: problems.sort((a, b) => a.offset - b.offset) };
}

/** Parts the text into bars, with the signs that stand at each. */
function openBars(text: string, naming: NoteNaming, problems: Problem[]): readonly OpenBar[] {
  const tokens = chartTokens(text, naming);
  const isLined = tokens.some(({ kind }) => kind === "bar-line");
  const bars: OpenBar[] = [];
  let lock: Lock | undefined;
  const next = (before?: OpenBar): OpenBar => {
    const isSameEnding = before !== undefined && before.times === 1 && !before.section;
    const bar: OpenBar = {
      chords: [],
      opens: false,
      times: 1,
      endings: isSameEnding || before?.chords.length === 0 ? before.endings : [],
      meter: before?.meter ?? COMMON,
      section: before?.chords.length === 0 ? before.section : undefined,
    };
    if (before?.chords.length === 0) {
      bar.opens = before.opens;
      bars.pop();
    }
    bars.push(bar);
    return bar;
  };
  let bar = next();
  for (const token of tokens) {
    switch (token.kind) {
      case "comment":
        break;
      case "bar-line": {
        if (token.text.startsWith(":")) closeRepeat(bars);
        const endsEndings = /\|\||\]/u.test(token.text);
        bar = next(bar);
        if (token.text.endsWith(":")) bar.opens = true;
        if (endsEndings || bar.opens) bar.endings = [];
        break;
      }
      case "ending":
        if (bar.chords.length > 0) bar = next(bar);
        bar.endings = roundsOf(token.text);
        break;
      case "times": {
        const last = bars.findLast(({ times }) => times > 1);
        if (last) last.times = Math.max(1, Number(/\d+/u.exec(token.text)?.[0]));
        break;
      }
      case "section":
        if (bar.chords.length > 0) bar = next(bar);
        bar.section = token.text.replaceAll(/^\[|\]$|:$/gu, "").trim();
        bar.endings = [];
        break;
      case "meter": {
        const [beats = 4, unit = 4] = token.text.split("/").map(Number);
        bar.meter = beats > 0 ? { beats, unit } : bar.meter;
        break;
      }
      case "lock":
        lock = readLock(token, naming, problems);
        break;
      case "repeat-bar":
      case "beat":
      case "silence":
      case "other":
        if (!isLined && bar.chords.length > 0) bar = next(bar);
        bar.chords.push({ token, lock });
    }
  }
  return bars;
}

/** The bar that a repeat sign closes is the last one with something in it. */
function closeRepeat(bars: readonly OpenBar[]): void {
  const last = bars.findLast(({ chords }) => chords.length > 0);
  if (last) last.times = 2;
}

/** "1.", "[1,2" and "1-3." as the rounds that they stand for. */
function roundsOf(text: string): readonly number[] {
  return [...text.matchAll(/(\d)(?:-(\d))?/gu)].flatMap(([, from, to]) => {
    const [first, last] = [Number(from), Number(to ?? from)];
    return Array.from({ length: Math.max(1, last - first + 1) }, (_, more) => first + more);
  });
}

function readLock({ text, offset }: ChartToken, naming: NoteNaming, problems: Problem[]): Lock | undefined {
  const asked = text.slice(1, -1).trim();
  if (asked === "") return undefined;
  const [first = "", ...rest] = asked.split(/\s+/u);
  const home = maybeFifthsIn(first, naming);
  const name = home === undefined ? asked : rest.join(" ");
  const nearest = name === "" ? undefined : nearestMode(name);
  const mode = nearest?.exact ? nearest.found : undefined;
  if (name !== "" && !mode)
    problems.push({
      code: "lock-unread",
      offset: offset + text.indexOf(name, 1),
      length: name.length,
      found: name,
    });
  return home === undefined && !mode ? undefined : { home, mode };
}

/** A chord of a bar before it is told how often it is played. */
type BarChord = Omit<ChartChord, "times" | "bar">;

function readBar(
  written: OpenBar["chords"],
  before: readonly BarChord[],
  naming: NoteNaming,
  problems: Problem[],
): readonly BarChord[] {
  const read: BarChord[] = [];
  for (const { token, lock } of written) {
    const { kind, text, offset } = token;
    const last = read.at(-1) ?? before.at(-1);
    if (kind === "repeat-bar") {
      if (before.length === 0) problems.push({ code: "repeat-of-nothing", offset, length: 1, found: text });
      read.push(...before.map((each) => ({ ...each, offset, lock })));
    } else if (kind === "beat" && read.length > 0 && last) {
      read[read.length - 1] = { ...last, length: last.length + 1 };
    } else if (kind === "beat" && last) {
      read.push({ ...last, length: 1, offset, lock });
    } else if (kind === "silence") {
      read.push({ symbol: "N.C.", length: 1, offset, lock });
    } else {
      read.push({ symbol: text, length: 1, offset, lock, ...readPlace(token, naming, problems) });
    }
  }
  const whole = read.reduce((sum, each) => sum + each.length, 0);
  return read.map((each) => ({ ...each, length: each.length / whole }));
}

function readPlace(
  { text, offset }: ChartToken,
  naming: NoteNaming,
  problems: Problem[],
): { readonly chord?: Chord } {
  const reading = readSymbol(text, naming);
  if ("chord" in reading) return { chord: reading.chord };
  const { code, offset: within, found, expected } = reading.unread;
  problems.push({ code, offset: offset + within, length: Math.max(1, found.length), found, expected });
  return {};
}
