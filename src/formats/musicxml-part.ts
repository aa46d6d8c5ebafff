import { type Chord, readSymbol } from "@/core/chord";
import { type Fifths, fifthsFrom, midiOf, modulo, type Pitch, pitchAt } from "@/core/pitch";
import { type Problem, wholeProblem } from "@/core/problem";
import { mode } from "@/core/scale";
import {
  barLength,
  type Clef,
  type DeclaredKey,
  type FoundBar,
  type Meter,
  type PhraseMark,
  type TuneNote,
} from "@/core/tune";
import { harmonyIn } from "./musicxml";
import { symbolOf } from "./musicxml-harmony";
import { nameInBar } from "./bar-problems";
import { MAX_LENGTH, MAX_NOTES, MAX_REST } from "./notes";
import { attribute, childrenOf, first, inside, nameIn, named, numberOf, textOf, type XmlNode } from "./xml";

/** How far an instrument sounds from what is written, by name and by octave. */
interface Transposing {
  readonly fifths: Fifths;
  readonly halfSteps: number;
}

/** A note whose end may still be tied on. */
type OpenNote = TuneNote & { duration: number };

/** What a part of a score holds. */
export interface Part {
  readonly name: string;
  /** Notes by the name of their voice. */
  readonly voices: Map<string, OpenNote[]>;
  readonly bars: FoundBar[];
  readonly chords: { readonly chord: Chord; readonly onset: number; readonly bar: number }[];
  readonly keys: DeclaredKey[];
  readonly problems: Problem[];
  readonly meters: Meter[];
  /** Clefs by staff, as they are first written. */
  readonly clefs: Map<string, Clef>;
  /** The staff that each voice begins on. */
  readonly staffOf: Map<string, string>;
  /** Notes with a fermata, a breath mark, or the end of a line of text. */
  readonly phraseMarks: PhraseMark[];
  /** Something without pitch sounds in it. */
  hasDrums: boolean;
  /** Quarters in all. */
  end: number;
}

/** How a part is read: what is in force, and where in it the reading stands. */
interface Reader {
  readonly part: Part;
  divisions: number;
  meter: Meter;
  transposing: Transposing;
  endings: readonly number[];
  /** Notes whose tie is open, by voice and sounding pitch. */
  readonly tied: Map<string, OpenNote>;
  count: number;
  /** The measure under way: its place, where it starts, where the reading and the note before stand, how far it goes. */
  bar: number;
  start: number;
  time: number;
  before: number;
  end: number;
  signs: { opens: boolean; times: number; endings: readonly number[] };
  endsSection: boolean;
}

/** Reads the measures of a part, every note at the pitch that it sounds. */
export function readPart(measures: readonly XmlNode[], name: string): Part {
  const part: Part = {
    name,
    voices: new Map(),
    bars: [],
    chords: [],
    keys: [],
    problems: [],
    meters: [],
    clefs: new Map(),
    staffOf: new Map(),
    phraseMarks: [],
    hasDrums: false,
    end: 0,
  };
  const reader: Reader = {
    part,
    divisions: 1,
    meter: { beats: 4, unit: 4 },
    transposing: { fifths: 0, halfSteps: 0 },
    endings: [],
    tied: new Map(),
    count: 0,
    bar: 0,
    start: 0,
    time: 0,
    before: 0,
    end: 0,
    signs: { opens: false, times: 1, endings: [] },
    endsSection: false,
  };
  for (const [at, measure] of measures.entries())
    readMeasure(reader, measure, at, at === measures.length - 1);
  part.end = reader.start;
  return part;
}

function readMeasure(reader: Reader, measure: XmlNode, bar: number, isLast: boolean): void {
  const { part, start } = reader;
  Object.assign(reader, { bar, time: start, before: start, end: start, endsSection: isLast });
  reader.signs = { opens: false, times: 1, endings: reader.endings };
  for (const node of childrenOf(measure)) readNode(reader, node);
  const whole = barLength(reader.meter);
  const length = reader.end - start || whole;
  const { endsSection, signs, meter } = reader;
  const [printed, isUncounted] = [printedNumber(measure), attribute(measure, "implicit") === "yes"];
  part.bars.push({
    start,
    length,
    whole: Math.max(whole, length),
    endsSection,
    signs,
    ...(printed === undefined || isUncounted ? {} : { printed }),
    ...(isUncounted ? { isUncounted } : {}),
  });
  part.meters.push(meter);
  reader.start += length;
}

/** The number that a measure is printed with; parts of one that is split have letters and the like, and none. */
function printedNumber(measure: XmlNode): number | undefined {
  const number = attribute(measure, "number");
  return /^\d+$/u.test(number) ? Number(number) : undefined;
}

function readNode(reader: Reader, node: XmlNode): void {
  const children = childrenOf(node);
  const quarters = () => {
    const asked = numberOf(children, "duration", 0) / reader.divisions;
    const isNote = nameIn(node) === "note" && !first(children, "rest");
    const most = isNote ? MAX_LENGTH : MAX_REST;
    if (asked > most)
      nameInBar(reader.part.problems, "note-too-long", textOf(children, "duration"), reader.bar);
    return Math.min(most, asked);
  };
  switch (nameIn(node)) {
    case "attributes":
      readAttributes(reader, children);
      break;
    case "harmony":
      readHarmony(reader, children);
      break;
    case "note":
      readNote(reader, children, Math.max(0, quarters()));
      break;
    case "backup":
      reader.time = Math.max(reader.start, reader.time - quarters());
      break;
    case "forward":
      reader.time += quarters();
      reader.end = Math.max(reader.end, reader.time);
      break;
    case "barline":
      readBarline(reader, node, children);
      break;
    case "direction":
    case "sound":
      if (endsHere(node, children)) reader.endsSection = true;
  }
}

/** Words and signs at which one goes back or ends: Fine, D.C., D.S. */
function endsHere(node: XmlNode, children: readonly XmlNode[]): boolean {
  const sound = nameIn(node) === "sound" ? node : first(children, "sound");
  const isSaid = ["fine", "dacapo", "dalsegno"].some((each) => sound && attribute(sound, each) !== "");
  return (
    isSaid ||
    named(children, "direction-type").some((type) =>
      /^(?:fine|d\.? ?[cs]\.?)(?: |$)/iu.test(textOf(childrenOf(type), "words").trim()),
    )
  );
}

function readHarmony({ part, time, divisions, bar }: Reader, children: readonly XmlNode[]): void {
  const symbol = symbolOf(harmonyIn(children));
  const reading = symbol === undefined || symbol === "N.C." ? undefined : readSymbol(symbol);
  const onset = time + numberOf(children, "offset", 0) / divisions;
  if (reading && "chord" in reading) part.chords.push({ chord: reading.chord, onset, bar });
}

function readNote(reader: Reader, children: readonly XmlNode[], duration: number): void {
  if (first(children, "grace") || first(children, "cue")) return;
  const { part, bar } = reader;
  const isChord = first(children, "chord") !== undefined;
  const onset = isChord ? reader.before : reader.time;
  if (!isChord) {
    reader.before = reader.time;
    reader.time += duration;
  }
  reader.end = Math.max(reader.end, reader.time);
  if (first(children, "unpitched")) part.hasDrums = true;
  const pitch = pitchOf(children, reader.transposing);
  if (!pitch || !(duration > 0)) return;
  const alter = textOf(inside(children, "pitch"), "alter");
  const quarter = Math.sign(Number(alter) - Math.round(Number(alter)));
  if (quarter !== 0)
    nameInBar(part.problems, "quarter-tones", `${textOf(inside(children, "pitch"), "step")} ${alter}`, bar);
  reader.count += 1;
  if (reader.count === MAX_NOTES + 1) part.problems.push(wholeProblem("too-long", String(MAX_NOTES)));
  const sign = phraseSign(children);
  if (sign) part.phraseMarks.push({ onset, sign });
  const voice = textOf(children, "voice") || "1";
  if (!part.staffOf.has(voice)) part.staffOf.set(voice, textOf(children, "staff") || "1");
  if (reader.count <= MAX_NOTES)
    addNote(reader, children, {
      ...{ pitch, onset, duration, bar, from: 0, to: 0 },
      ...(quarter === 1 || quarter === -1 ? { quarter } : {}),
    });
}

/** What says that a phrase ends on a note: a fermata; a breath mark, a caesura, the end of a line or sentence of its text. */
function phraseSign(children: readonly XmlNode[]): PhraseMark["sign"] | undefined {
  const notations = named(children, "notations").flatMap(childrenOf);
  const breathes = named(notations, "articulations")
    .flatMap(childrenOf)
    .some((each) => /^(?:breath-mark|caesura)$/u.test(nameIn(each)));
  if (first(notations, "fermata")) return "fermata";
  const endsText = named(children, "lyric").some((lyric) => {
    const inside = childrenOf(lyric);
    if (first(inside, "end-line") ?? first(inside, "end-paragraph")) return true;
    return /[.;:!?]["”’»)]?$/u.test(textOf(inside, "text").trim());
  });
  return breathes || endsText ? "breath" : undefined;
}

function addNote({ part: { voices }, tied }: Reader, children: readonly XmlNode[], note: TuneNote): void {
  const voice = textOf(children, "voice") || "1";
  const key = `${voice} ${note.pitch.name} ${note.pitch.octave}`;
  const ties = named(children, "tie").map((tie) => attribute(tie, "type"));
  const tiedNote = tied.get(key);
  tied.delete(key);
  if (tiedNote && ties.includes("stop")) {
    tiedNote.duration = note.onset + note.duration - tiedNote.onset;
    if (ties.includes("start")) tied.set(key, tiedNote);
    return;
  }
  const copy = { ...note };
  const all = voices.get(voice) ?? [];
  all.push(copy);
  voices.set(voice, all);
  if (ties.includes("start")) tied.set(key, copy);
}

function readBarline(reader: Reader, node: XmlNode, children: readonly XmlNode[]): void {
  const { signs } = reader;
  const repeat = first(children, "repeat");
  const ending = first(children, "ending");
  const way = repeat ? attribute(repeat, "direction") : "";
  const isStart = ending !== undefined && attribute(ending, "type") === "start";
  if (way === "forward") signs.opens = true;
  if (repeat && way === "backward") signs.times = Math.max(2, Number(attribute(repeat, "times")) || 2);
  if (isStart) signs.endings = [...attribute(ending, "number").matchAll(/\d+/gu)].map(Number);
  reader.endings = ending && !isStart ? [] : signs.endings;
  const isDouble =
    attribute(node, "location") !== "left" && /light-light|heavy/u.test(textOf(children, "bar-style"));
  if (way === "backward" || isDouble) reader.endsSection = true;
}

function readAttributes(reader: Reader, children: readonly XmlNode[]): void {
  const { part, bar } = reader;
  const divisions = numberOf(children, "divisions", reader.divisions);
  if (divisions > 0) reader.divisions = divisions;
  const time = inside(children, "time");
  const beats = textOf(time, "beats")
    .split("+")
    .reduce((sum, each) => sum + Number(each), 0);
  const unit = numberOf(time, "beat-type", 0);
  if (beats > 0 && unit > 0) reader.meter = { beats, unit };
  const transpose = inside(children, "transpose");
  if (transpose.length > 0) {
    const halfSteps = numberOf(transpose, "chromatic", 0);
    const octaves = numberOf(transpose, "octave-change", 0);
    const letters = numberOf(transpose, "diatonic", Math.round((halfSteps * 7) / 12));
    reader.transposing = { fifths: fifthsBetween(letters, halfSteps), halfSteps: halfSteps + 12 * octaves };
  }
  for (const node of named(children, "clef")) {
    const staff = attribute(node, "number") || "1";
    const clef = clefIn(childrenOf(node));
    if (clef && !part.clefs.has(staff)) part.clefs.set(staff, clef);
  }
  const key = inside(children, "key");
  if (first(key, "fifths")) {
    const tonic = numberOf(key, "fifths", 0) + reader.transposing.fifths;
    const words = textOf(key, "mode").toLowerCase() || "major";
    const named = KEY_MODES[words];
    const isSignature = textOf(key, "mode") === "";
    if (named)
      part.keys.push({
        home: tonic + named.above,
        mode: mode(named.id),
        bar,
        ...(isSignature ? { isSignature } : {}),
      });
  }
}

function clefIn(children: readonly XmlNode[]): Clef | undefined {
  const isLow = numberOf(children, "clef-octave-change", 0) < 0;
  switch (textOf(children, "sign")) {
    case "G":
      return isLow ? "treble-8" : "treble";
    case "F":
      return isLow ? "bass-8" : "bass";
    case "C":
      return numberOf(children, "line", 3) === 4 ? "tenor" : "alto";
    default:
      return undefined;
  }
}

/** An interval of so many letters and half steps on the line of fifths: a letter and two half steps up are 2. */
function fifthsBetween(letters: number, halfSteps: number): Fifths {
  // Fifths f stand 4f letters up (modulo 7) and 7f half steps (modulo 12).
  for (let fifths = -12; fifths <= 12; fifths += 1)
    if (modulo(fifths * 4 - letters, 7) === 0 && modulo(fifths * 7 - halfSteps, 12) === 0) return fifths;
  return 0;
}

/** The words that a key may have for its mode, each with how far its home lies above the tonic of the signature. */
const KEY_MODES: Readonly<Record<string, { readonly id: string; readonly above: Fifths }>> = {
  major: { id: "ionian", above: 0 },
  ionian: { id: "ionian", above: 0 },
  minor: { id: "aeolian", above: 3 },
  aeolian: { id: "aeolian", above: 3 },
  dorian: { id: "dorian", above: 2 },
  phrygian: { id: "phrygian", above: 4 },
  lydian: { id: "lydian", above: -1 },
  mixolydian: { id: "mixolydian", above: 1 },
  locrian: { id: "locrian", above: 5 },
};

function pitchOf(children: readonly XmlNode[], { fifths, halfSteps }: Transposing): Pitch | undefined {
  const pitch = inside(children, "pitch");
  const step = textOf(pitch, "step");
  if (!/^[A-G]$/u.test(step)) return undefined;
  const alter = Math.round(numberOf(pitch, "alter", 0));
  const octave = Math.round(numberOf(pitch, "octave", 4));
  if (Math.abs(alter) > 3 || octave < -1 || octave > 10) return undefined;
  const name = fifthsFrom(step, alter);
  return pitchAt(midiOf({ name, octave }) + halfSteps, name + fifths);
}
