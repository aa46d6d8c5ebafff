import type { Problem, Reading } from "@/core/problem";
import { type BarSigns, type Chord, readSymbol } from "@/core/chord";
import { type Fifths, fifthsFrom, modulo, type Pitch } from "@/core/pitch";
import {
  barLength,
  type Clef,
  clefOf,
  type DeclaredKey,
  type FoundBar,
  lastingChords,
  joinedMarks,
  type Meter,
  numberBars,
  type PhraseMark,
  type Tune,
  type TuneNote,
  type TuneVoice,
} from "@/core/tune";
import { type KeyField, readKeyField } from "./abc-key";
import { nameInBar } from "./bar-problems";
import { MAX_LENGTH, MAX_NOTES, MAX_REST } from "./notes";

/** What the library hands over, as far as it is read here; its own types promise more than it keeps. */
export interface ParsedTune {
  readonly lines: readonly { readonly staff?: readonly ParsedStaff[] }[];
  readonly metaText: { readonly title?: string };
  readonly warnings?: readonly string[];
}
interface ParsedStaff {
  readonly clef?: { readonly type?: string };
  readonly title?: readonly string[] | string;
  readonly meter?: ParsedMeter;
  readonly voices?: readonly (readonly ParsedElement[])[];
}
interface ParsedMeter {
  readonly type?: string;
  readonly value?: readonly { readonly num: string; readonly den?: string }[];
}
interface ParsedElement extends ParsedMeter {
  readonly el_type: string;
  readonly startChar: number;
  readonly endChar: number;
  readonly duration?: number;
  readonly pitches?: readonly ParsedPitch[];
  readonly decoration?: readonly string[];
  readonly chord?: readonly { readonly name: string; readonly position?: string }[];
  readonly rest?: { readonly type: string; readonly text?: number };
  readonly startTriplet?: number;
  readonly tripletMultiplier?: number;
  readonly endTriplet?: boolean;
  readonly startEnding?: string;
  readonly endEnding?: boolean;
}
interface ParsedPitch {
  readonly pitch: number;
  readonly accidental?: string;
  readonly startTie?: unknown;
  readonly endTie?: boolean;
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

/** Accidentals that raise or lower a note by a quarter tone. */
const QUARTER_TONES: Readonly<Record<string, 1 | -1>> = { quartersharp: 1, quarterflat: -1 };

const COMMON: Meter = { beats: 4, unit: 4 };

/** A key field and where it stands in the text. */
interface PlacedKey extends KeyField {
  readonly offset: number;
}

/** The open state of a voice: time so far, the bar under way, what accidentals are in force. */
interface Voice {
  time: number;
  barStart: number;
  meter: Meter;
  readonly keys: readonly PlacedKey[];
  /** The key in force, by its place in `keys`. */
  key: number;
  readonly inBar: Map<number, number>;
  readonly tied: Map<number, number>;
  tuplet: number;
  readonly notes: (TuneNote & { duration: number })[];
  readonly bars: FoundBar[];
  /** A small letter alone may be a chord or a mark such as forte: the other chords of the text tell. */
  readonly chords: {
    readonly chord: Chord;
    readonly onset: number;
    readonly bar: number;
    readonly isLetter: boolean;
  }[];
  readonly declared: DeclaredKey[];
  readonly phraseMarks: PhraseMark[];
  opens: boolean;
  endings: readonly number[];
  /** Names a note that a tune can't hold as it is. */
  readonly unheld: (code: "quarter-tones" | "note-too-long", element: ParsedElement) => void;
}

/** Decorations that a phrase ends with. */
const PHRASE_ENDS: Readonly<Record<string, PhraseMark["sign"]>> = {
  fermata: "fermata",
  invertedfermata: "fermata",
  breath: "breath",
  caesura: "breath",
  shortphrase: "breath",
  mediumphrase: "breath",
  longphrase: "breath",
};

const NO_KEY: PlacedKey = { offset: 0, signature: new Map() };

/**
 * Makes a tune of what the library parsed, and names what it can't hold. The first voice with notes is the melody; the others lie beneath
 * it.
 */
export function tuneOf(parsed: ParsedTune, text: string): Reading<Tune> {
  const problems: Problem[] = [];
  const keys = keyFields(text);
  const staves = parsed.lines.flatMap((line) => line.staff ?? []);
  const meter = staves.map((staff) => readMeter(staff.meter)).find((found) => found !== undefined) ?? COMMON;
  const voices = voicesOf(parsed).map(({ lines, ...written }) => {
    const voice: Voice & WrittenVoice = {
      ...written,
      time: 0,
      barStart: 0,
      meter,
      keys,
      key: 0,
      inBar: new Map(),
      tied: new Map(),
      tuplet: 1,
      notes: [],
      bars: [],
      chords: [],
      declared: [],
      phraseMarks: [],
      opens: false,
      endings: [],
      unheld: (code, { startChar, endChar }) =>
        nameInBar(
          problems,
          code,
          text.slice(startChar, endChar).trim().slice(0, 20),
          voice.bars.length,
          startChar,
        ),
    };
    const [first] = keys;
    if (first?.homeMode) voice.declared.push({ ...first.homeMode, bar: 0 });
    for (const element of lines) readElement(voice, element);
    closeBar(voice, { type: "end" });
    return voice;
  });
  const melody = voices.find(({ notes }) => notes.length > 0) ?? voices[0];
  const others = voices.filter((voice) => voice !== melody && voice.notes.length > 0);
  const lastBar = (melody?.bars.length ?? 1) - 1;
  const beneath = others
    .flatMap(({ notes }, at) => notes.map((note) => ({ ...trimmed(note, text), voice: at + 1 })))
    .map((note) => (note.bar > lastBar ? { ...note, bar: lastBar } : note))
    .sort((a, b) => a.onset - b.onset);
  const phraseMarks = joinedMarks(voices.flatMap((voice) => voice.phraseMarks));
  const chords = voices.find((voice) => voice.chords.some(({ isLetter }) => !isLetter));
  const tune: Tune = {
    title: parsed.metaText.title ?? "",
    notes: melody?.notes.map((note) => trimmed(note, text)) ?? [],
    ...(melody && beneath.length > 0 ? { beneath, voices: [melody, ...others].map(voiceOf) } : {}),
    ...(phraseMarks.length > 0 ? { phraseMarks } : {}),
    ...(chords ? { chords: lastingChords(chords.chords, chords.time) } : {}),
    bars: numberBars(melody?.bars ?? []),
    meter,
    keys: melody?.declared ?? [],
  };
  return { value: tune, problems };
}

/** How a voice is written. */
interface WrittenVoice {
  readonly title: string;
  readonly staff: number;
  readonly clef: string;
}

const CLEFS: Readonly<Record<string, Clef>> = {
  treble: "treble",
  "treble-8": "treble-8",
  alto: "alto",
  tenor: "tenor",
  bass: "bass",
  "bass-8": "bass-8",
};

const voiceOf = ({ title, staff, clef, notes }: WrittenVoice & Pick<Voice, "notes">): TuneVoice => ({
  name: title,
  staff,
  clef: CLEFS[clef] ?? clefOf(notes),
});

/** The elements of each voice from all lines, staff by staff from the top. */
function voicesOf({
  lines,
}: ParsedTune): readonly (WrittenVoice & { readonly lines: readonly ParsedElement[] })[] {
  const voices = new Map<string, WrittenVoice & { readonly lines: ParsedElement[] }>();
  for (const { staff: staves = [] } of lines)
    for (const [staff, each] of staves.entries())
      for (const [voice, elements] of (each.voices ?? []).entries()) {
        const name = `${staff} ${voice}`;
        const known = voices.get(name) ?? {
          title: [each.title ?? []].flat()[voice] ?? "",
          staff,
          clef: each.clef?.type ?? "",
          lines: [],
        };
        for (const element of elements) known.lines.push(element);
        voices.set(name, known);
      }
  return [...voices.values()];
}

/** Every key field with its place: on a line of its own, or inside a line of music. */
function keyFields(text: string): readonly PlacedKey[] {
  return [...text.matchAll(/^K:(.*)$|\[K:([^[\]\n]*)\]/gmu)].map((found) => ({
    offset: found.index,
    ...readKeyField(found[1] ?? found[2] ?? ""),
  }));
}

/** The key that is in force at a place of the text. */
function keyAt(voice: Voice, offset: number): PlacedKey {
  while ((voice.keys[voice.key + 1]?.offset ?? Infinity) <= offset) {
    voice.key += 1;
    const homeMode = voice.keys[voice.key]?.homeMode;
    if (homeMode) voice.declared.push({ ...homeMode, bar: voice.bars.length });
  }
  return voice.keys[voice.key] ?? NO_KEY;
}

/** The library counts the spaces beside a note as part of it, and what is written over it. */
function trimmed(note: TuneNote, text: string): TuneNote {
  const written = text.slice(note.from, note.to);
  const from = note.from + written.length - written.trimStart().length;
  return { ...note, from, to: from + written.trim().length };
}

function readMeter(meter: ParsedMeter | undefined): Meter | undefined {
  if (meter?.type === "common_time") return COMMON;
  if (meter?.type === "cut_time") return { beats: 2, unit: 2 };
  const value = meter?.value?.[0];
  if (!value) return undefined;
  const beats = value.num.split("+").reduce((sum, part) => sum + Number(part), 0);
  const unit = Number(value.den ?? 4);
  return beats > 0 && unit > 0 ? { beats, unit } : undefined;
}

function readElement(voice: Voice & Pick<WrittenVoice, "clef">, element: ParsedElement): void {
  if (element.el_type === "bar") closeBar(voice, element);
  else if (element.el_type === "meter") voice.meter = readMeter(element) ?? voice.meter;
  else if (element.el_type === "note") readNote(voice, element);
}

/** Ends the bar under way and takes what its line says about repeats and endings. */
function closeBar(
  voice: Voice,
  { type = "", startEnding, endEnding }: Pick<ParsedElement, "type" | "startEnding" | "endEnding">,
): void {
  voice.inBar.clear();
  const endsSection = type === "end" || /thin_thin|thick|repeat/u.test(type);
  const length = voice.time - voice.barStart;
  const before = voice.bars.at(-1);
  const times = /right_repeat|dbl_repeat/u.test(type) ? 2 : 1;
  if (length > 0) {
    const signs: BarSigns = { opens: voice.opens, times, endings: voice.endings };
    voice.bars.push({ start: voice.barStart, length, whole: barLength(voice.meter), endsSection, signs });
    voice.barStart = voice.time;
    voice.opens = false;
  } else if (before && endsSection) {
    const signs = before.signs && { ...before.signs, times: Math.max(times, before.signs.times) };
    voice.bars[voice.bars.length - 1] = { ...before, endsSection, signs };
  }
  if (/left_repeat|dbl_repeat/u.test(type)) voice.opens = true;
  if (endEnding) voice.endings = [];
  if (startEnding !== undefined)
    voice.endings = [...startEnding.matchAll(/\d+/gu)].map(Number).filter((round) => round > 0);
}

function readNote(voice: Voice & Pick<WrittenVoice, "clef">, element: ParsedElement): void {
  if (element.rest?.type === "spacer") return;
  if (element.startTriplet !== undefined) voice.tuplet = element.tripletMultiplier ?? 1;
  const written = (element.duration ?? 0) * 4 * voice.tuplet;
  const asked =
    element.rest?.type === "multimeasure" ? (element.rest.text ?? 1) * barLength(voice.meter) : written;
  const most = element.rest ? MAX_REST : MAX_LENGTH;
  if (asked > most) voice.unheld("note-too-long", element);
  const duration = asked > 0 ? Math.min(most, asked) : 0;
  for (const { name, position } of element.chord ?? []) {
    const reading = position === "default" ? readSymbol(name) : undefined;
    if (reading && "chord" in reading)
      voice.chords.push({
        chord: reading.chord,
        onset: voice.time,
        bar: voice.bars.length,
        isLetter: /^[a-g]$/u.test(name.trim()),
      });
  }
  const { signature } = keyAt(voice, element.startChar);
  const isFull = voice.notes.length >= MAX_NOTES;
  const [mark] = element.rest ? [] : (element.decoration ?? []).flatMap((each) => PHRASE_ENDS[each] ?? []);
  if (mark) voice.phraseMarks.push({ onset: voice.time, sign: mark });
  const struck = element.rest || duration === 0 || isFull ? [] : (element.pitches ?? []);
  for (const each of struck) addPitch(voice, element, each, duration, signature);
  if (element.endTriplet) voice.tuplet = 1;
  voice.time += duration;
}

function addPitch(
  voice: Voice & Pick<WrittenVoice, "clef">,
  element: ParsedElement,
  each: ParsedPitch,
  duration: number,
  signature: KeyField["signature"],
): void {
  const tiedNote = voice.tied.get(each.pitch);
  const before = tiedNote === undefined ? undefined : voice.notes[tiedNote];
  voice.tied.delete(each.pitch);
  if (each.endTie && before && tiedNote !== undefined) {
    before.duration += duration;
    if (each.startTie) voice.tied.set(each.pitch, tiedNote);
    return;
  }
  const pitch = spelled(voice, each, signature);
  const { startChar, endChar } = element;
  const quarter = QUARTER_TONES[each.accidental ?? ""];
  if (quarter) voice.unheld("quarter-tones", element);
  const at = voice.notes.push({
    pitch,
    onset: voice.time,
    duration,
    bar: voice.bars.length,
    from: startChar,
    to: endChar,
    ...(quarter ? { quarter } : {}),
  });
  if (each.startTie) voice.tied.set(each.pitch, at - 1);
}

/** Octaves that music in a clef with an 8 sounds away from what is written (the ABC standard 2.1, section 4.6). */
const octavesIn = (clef: string): number => (clef.endsWith("-8") ? -1 : clef.endsWith("+8") ? 1 : 0);

/** A written accidental holds for its place on the staff to the end of the bar; otherwise the signature holds. */
function spelled(
  voice: Voice & Pick<WrittenVoice, "clef">,
  { pitch, accidental }: ParsedPitch,
  signature: KeyField["signature"],
): Pitch {
  const letter = "CDEFGAB".charAt(modulo(pitch, 7));
  if (accidental !== undefined) voice.inBar.set(pitch, ACCIDENTAL[accidental] ?? 0);
  const name: Fifths = fifthsFrom(letter, voice.inBar.get(pitch) ?? signature.get(letter) ?? 0);
  return { name, octave: 4 + Math.floor(pitch / 7) + octavesIn(voice.clef) };
}
