import { chordNames, printChord } from "@/core/chord";
import { type Fifths, modulo, spellSound } from "@/core/pitch";
import { type Reading, wholeProblem } from "@/core/problem";
import { namesAround } from "@/core/tune";
import { middleOf, type MidiRead, midiVoices } from "./midi-voices";
import { barTokens, type FileChart, lineText, linesOfBars } from "./chart-text";

/** A note of a MIDI file, in quarters from the start. */
interface Sounded {
  readonly midi: number;
  readonly from: number;
  readonly to: number;
}

/** A stretch of a bar in which one chord is named. */
interface Named {
  readonly symbol: string;
  readonly length: number;
}

/** Notes shorter than this share of a stretch are passing. */
const PASSING = 0.2;

/** Files longer than this are cut. */
const MAX_BARS = 1000;

/** Bars that a note without end counts for. */
const MAX_HELD = 32;

/**
 * Names the chords of a MIDI file from its notes: each bar, or each half of it where the notes change, by the chord that holds
 * what sounds there longest, with its lowest note as bass. Drums are passed over. Never throws.
 *
 * @example (await readMidiChords(bytes)).value.text // "| Em9 | A13 |"
 */
export async function readMidiChords(bytes: Uint8Array): Promise<Reading<FileChart>> {
  const none = (code: "midi-unread" | "no-notes", found: string): Reading<FileChart> => ({
    value: { title: "", text: "" },
    problems: [wholeProblem(code, found)],
  });
  try {
    const { title, meters, key, voices, problems } = await midiVoices(bytes);
    const notes = voices
      .flatMap((voice) => voice.notes)
      .map(({ midi, onset, duration }): Sounded => ({ midi, from: onset, to: onset + duration }));
    if (notes.length === 0) return none("no-notes", title);
    const { beats, unit } = meters[0] ?? { beats: 4, unit: 4 };
    const meter = { beats, unit };
    const whole = (beats * 4) / unit;
    const end = notes.reduce((last, { to }) => Math.max(last, to), 0);
    const count = Math.ceil(end / whole - 1e-6);
    const towards = towardsOf(key, notes);
    const byBar = Array.from({ length: Math.min(count, MAX_BARS) }, (): Sounded[] => []);
    for (const note of notes)
      for (
        let bar = Math.floor(note.from / whole), past = Math.min(note.to / whole, bar + MAX_HELD);
        bar < Math.min(past, MAX_BARS);
        bar += 1
      )
        byBar[bar]?.push(note);
    const bars = byBar.map((inBar, bar) => ({
      bar: { section: undefined },
      text: `| ${bar === 0 && (beats !== 4 || unit !== 4) ? `${beats}/${unit} ` : ""}${barTokens(chordsOf(inBar, bar * whole, whole, towards), meter, "/")}`,
    }));
    const lines = linesOfBars(bars).map(lineText);
    const isCut = count > MAX_BARS;
    return {
      value: { title, text: lines.join("\n") },
      problems: [...problems, ...(isCut ? [wholeProblem("too-long", String(count))] : [])],
    };
  } catch {
    return none("midi-unread", "");
  }
}

/** Where on the line of fifths names are looked for: the key that is declared, or the middle of what sounds. */
const towardsOf = (key: MidiRead["key"], notes: readonly Sounded[]): Fifths =>
  middleOf(key) ?? namesAround(notes.map(({ midi, from, to }) => ({ midi, duration: to - from })));

/** One chord for the bar where one holds both halves, otherwise one for each half. */
function chordsOf(notes: readonly Sounded[], from: number, whole: number, towards: number): readonly Named[] {
  const half = whole / 2;
  const [first, second] = [soundsIn(notes, from, half), soundsIn(notes, from + half, half)];
  const isOne =
    second.length === 0 ||
    isWithin(second, first) ||
    isWithin(first, second) ||
    first.length < 3 ||
    second.length < 3;
  const spans = isOne ? [[from, whole] as const] : [[from, half] as const, [from + half, half] as const];
  return spans.map(([start, length]) => ({
    symbol: nameOf(soundsIn(notes, start, length), towards),
    length: length / whole,
  }));
}

const isWithin = (some: readonly number[], all: readonly number[]) =>
  some.every((midi) => all.some((other) => modulo(other - midi, 12) === 0));

/** The notes of a stretch, lowest first, without what only passes. */
function soundsIn(notes: readonly Sounded[], from: number, length: number): readonly number[] {
  const weights = new Map<number, { midi: number; time: number }>();
  for (const note of notes) {
    const time = Math.min(note.to, from + length) - Math.max(note.from, from);
    if (time <= 1e-6) continue;
    const known = weights.get(note.midi % 12);
    weights.set(note.midi % 12, {
      midi: Math.min(note.midi, known?.midi ?? note.midi),
      time: time + (known?.time ?? 0),
    });
  }
  const longest = Math.max(0, ...[...weights.values()].map(({ time }) => time));
  return [...weights.values()]
    .filter(({ time }) => time >= longest * PASSING)
    .map(({ midi }) => midi)
    .sort((a, b) => a - b);
}

function nameOf(midis: readonly number[], towards: number): string {
  const names = midis.map((midi) => spellSound(midi % 12, towards));
  const [chord] = names.length < 2 ? [] : chordNames(names, names[0]);
  return chord ? printChord(chord) : "N.C.";
}
