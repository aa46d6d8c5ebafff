import { fifthsFrom, type Fifths, modulo, type Pitch } from "@/core/pitch";
import type { Problem, Reading } from "@/core/problem";
import { barLength, type FoundBar, type Meter, numberBars, type Tune, type TuneNote } from "@/core/tune";

/** A tune of an ABC file with the text that it stands in; `from` and `to` of its notes count from the start of that text. */
export interface AbcTune {
  readonly tune: Tune;
  readonly text: string;
  /** The same text, of the same length, without the lines that the engraver cannot take. */
  readonly engraving: string;
}

/** What the library hands over, as far as it is read here; its own types promise more than it keeps. */
interface ParsedTune {
  readonly lines: readonly { readonly staff?: readonly ParsedStaff[] }[];
  readonly metaText: { readonly title?: string };
  readonly warnings?: readonly string[];
}
interface ParsedStaff {
  readonly key?: ParsedKey;
  readonly meter?: ParsedMeter;
  readonly voices?: readonly (readonly ParsedElement[])[];
}
interface ParsedKey {
  readonly accidentals?: readonly { readonly acc: string; readonly note: string }[];
  readonly root?: string;
  readonly acc?: string;
  readonly mode?: string;
}
interface ParsedMeter {
  readonly type?: string;
  readonly value?: readonly { readonly num: string; readonly den?: string }[];
}
interface ParsedElement extends ParsedKey, ParsedMeter {
  readonly el_type: string;
  readonly startChar: number;
  readonly endChar: number;
  readonly duration?: number;
  readonly pitches?: readonly ParsedPitch[];
  readonly rest?: { readonly type: string; readonly text?: number };
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
}
interface ParsedPitch {
  readonly pitch: number;
  readonly accidental?: string;
  readonly startTie?: unknown;
  readonly endTie?: boolean;
}

/**
 * Reads an ABC file: every tune in it, each with its notes spelled by key and accidentals, ties joined, tuplets timed.
 * The first voice is the tune. Never throws on bad text.
 *
 * @example (await readAbc("X:1\nK:D\nDEF|")).value[0].tune.notes.length // 3
 */
export async function readAbc(text: string): Promise<Reading<readonly AbcTune[]>> {
  const { default: abcjs } = await import("abcjs");
  const problems: Problem[] = [];
  const value: AbcTune[] = [];
  for (const { start, part } of tuneTexts(text)) {
    const parse = (abc: string) => abcjs.parseOnly(abc)[0] as unknown as ParsedTune | undefined;
    const { parsed, engraving, refused } = parseSafely(part, parse);
    problems.push(...refused.map((problem) => ({ ...problem, offset: problem.offset + start })));
    if (!parsed) continue;
    const tune = readParsed(parsed, part);
    problems.push(
      ...warnings(parsed, part).map((problem) => ({ ...problem, offset: problem.offset + start })),
    );
    if (tune.notes.length > 0) value.push({ tune, text: part, engraving });
    else problems.push({ code: "no-notes", offset: start, length: 1, found: tune.title });
  }
  if (value.length === 0 && problems.length === 0) {
    problems.push({ code: "no-tune", offset: 0, length: 0, found: text.slice(0, 40) });
  }
  return { value, problems };
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
  const throws = (abc: string) => {
    try {
      parse(abc);
      return false;
    } catch {
      return true;
    }
  };
  if (!throws(text)) return { parsed: parse(text), engraving: text, refused: [] };
  const refused: Problem[] = [];
  const engraving = text.replaceAll(/^.+$/gm, (line, offset: number) => {
    if (!throws(line)) return line;
    refused.push({ code: "abc-unread", offset, length: line.length, found: line });
    return "%".padEnd(line.length);
  });
  if (!throws(engraving)) return { parsed: parse(engraving), engraving, refused };
  const whole: Problem = { code: "abc-unread", offset: 0, length: text.length, found: text.slice(0, 40) };
  return { parsed: undefined, engraving, refused: [...refused, whole] };
}

const ACCIDENTAL: Readonly<Record<string, number>> = {
  dblsharp: 2,
  sharp: 1,
  natural: 0,
  flat: -1,
  dblflat: -2,
  quartersharp: 0,
  quarterflat: 0,
};

const MODES: Readonly<Record<string, string>> = {
  "": "ionian",
  maj: "ionian",
  ion: "ionian",
  m: "aeolian",
  min: "aeolian",
  aeo: "aeolian",
  dor: "dorian",
  phr: "phrygian",
  lyd: "lydian",
  mix: "mixolydian",
  loc: "locrian",
};

/** The open state of a reading: time so far, the bar under way, what accidentals are in force. */
interface State {
  time: number;
  barStart: number;
  meter: Meter;
  key: Map<string, number>;
  readonly inBar: Map<number, number>;
  readonly tied: Map<number, number>;
  tuplet: number;
  readonly notes: (TuneNote & { duration: number })[];
  readonly bars: FoundBar[];
}

function readParsed(parsed: ParsedTune, text: string): Tune {
  const staves = parsed.lines.flatMap((line) => line.staff?.slice(0, 1) ?? []);
  const first = staves[0];
  const meter = staves.map((staff) => readMeter(staff.meter)).find((found) => found !== undefined) ?? COMMON;
  const state: State = {
    time: 0,
    barStart: 0,
    meter,
    key: new Map(),
    inBar: new Map(),
    tied: new Map(),
    tuplet: 1,
    notes: [],
    bars: [],
  };
  for (const staff of staves) {
    if (staff.key) state.key = signature(staff.key);
    for (const element of staff.voices?.[0] ?? []) readElement(state, element);
  }
  closeBar(state, true);
  return {
    title: parsed.metaText.title ?? "",
    notes: state.notes.map((note) => trimmed(note, text)),
    bars: numberBars(state.bars),
    meter,
    key: first?.key && declaredKey(first.key),
  };
}

/** The library counts the spaces beside a note as part of it. */
function trimmed(note: TuneNote, text: string): TuneNote {
  const written = text.slice(note.from, note.to);
  const from = note.from + written.length - written.trimStart().length;
  return { ...note, from, to: from + written.trim().length };
}

const COMMON: Meter = { beats: 4, unit: 4 };

function readMeter(meter: ParsedMeter | undefined): Meter | undefined {
  if (meter?.type === "common_time") return COMMON;
  if (meter?.type === "cut_time") return { beats: 2, unit: 2 };
  const value = meter?.value?.[0];
  if (!value) return undefined;
  const beats = value.num.split("+").reduce((sum, part) => sum + Number(part), 0);
  const unit = Number(value.den ?? 4);
  return beats > 0 && unit > 0 ? { beats, unit } : undefined;
}

function signature(key: ParsedKey): Map<string, number> {
  return new Map((key.accidentals ?? []).map(({ acc, note }) => [note.toUpperCase(), ACCIDENTAL[acc] ?? 0]));
}

function declaredKey({ root = "none", acc = "", mode = "" }: ParsedKey): Tune["key"] {
  const id = MODES[mode.toLowerCase().slice(0, 3)];
  if (!/^[A-G]$/.test(root) || id === undefined) return undefined;
  return { tonic: fifthsFrom(root, acc === "#" ? 1 : acc === "b" ? -1 : 0), mode: id };
}

function readElement(state: State, element: ParsedElement): void {
  if (element.el_type === "bar") closeBar(state, /thin_thin|thick|repeat/.test(element.type ?? ""));
  else if (element.el_type === "key") state.key = signature(element);
  else if (element.el_type === "meter") state.meter = readMeter(element) ?? state.meter;
  else if (element.el_type === "note") readNote(state, element);
}

function closeBar(state: State, endsSection: boolean): void {
  state.inBar.clear();
  const length = state.time - state.barStart;
  const before = state.bars.at(-1);
  if (length > 0) {
    state.bars.push({ start: state.barStart, length, whole: barLength(state.meter), endsSection });
    state.barStart = state.time;
  } else if (before && endsSection) {
    state.bars[state.bars.length - 1] = { ...before, endsSection };
  }
}

function readNote(state: State, element: ParsedElement): void {
  if (element.rest?.type === "spacer") return;
  if (element.startTriplet !== undefined) state.tuplet = element.tripletMultiplier ?? 1;
  const written = (element.duration ?? 0) * 4 * state.tuplet;
  const duration =
    element.rest?.type === "multimeasure" ? (element.rest.text ?? 1) * barLength(state.meter) : written;
  for (const each of element.rest ? [] : (element.pitches ?? [])) addPitch(state, element, each, duration);
  if (element.endTriplet) state.tuplet = 1;
  state.time += duration;
}

function addPitch(
  state: State,
  { startChar, endChar }: ParsedElement,
  each: ParsedPitch,
  duration: number,
): void {
  const held = state.tied.get(each.pitch);
  const before = held === undefined ? undefined : state.notes[held];
  state.tied.delete(each.pitch);
  if (each.endTie && before && held !== undefined) {
    before.duration += duration;
    if (each.startTie) state.tied.set(each.pitch, held);
    return;
  }
  const pitch = spelled(state, each);
  const at = state.notes.push({
    pitch,
    onset: state.time,
    duration,
    bar: state.bars.length,
    from: startChar,
    to: endChar,
  });
  if (each.startTie) state.tied.set(each.pitch, at - 1);
}

/** A written accidental holds for its place on the staff to the end of the bar; otherwise the signature holds. */
function spelled(state: State, { pitch, accidental }: ParsedPitch): Pitch {
  const letter = "CDEFGAB".charAt(modulo(pitch, 7));
  if (accidental !== undefined) state.inBar.set(pitch, ACCIDENTAL[accidental] ?? 0);
  const name: Fifths = fifthsFrom(letter, state.inBar.get(pitch) ?? state.key.get(letter) ?? 0);
  return { name, octave: 4 + Math.floor(pitch / 7) };
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
