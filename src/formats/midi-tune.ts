import { midiOf } from "@/core/pitch";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import { mode } from "@/core/scale";
import {
  barsFor,
  clefFor,
  type Meter,
  placedIn,
  quantised,
  spelledInContext,
  type Tune,
  type TuneVoice,
} from "@/core/tune";
import { type MidiNote, type MidiRead, type MidiVoice, midiVoices } from "./midi-voices";
import { MAX_NOTES } from "./notes";

/** Bars of a file are cut here, and a problem says so. */
const MAX_BARS = 20_000;

/**
 * Reads a MIDI file as a tune: its notes put on the beat and spelled by what sounds around them, in bars of its meters. One
 * voice is the melody, the others lie beneath it; drums are left out. Undefined where nothing in it has a pitch. Never throws.
 *
 * @example (await readMidiTune(bytes)).value?.notes[0]?.pitch // { name: 3 (A), octave: 4 }
 */
export async function readMidiTune(bytes: Uint8Array, title = ""): Promise<Reading<Tune | undefined>> {
  const none = (code: Problem["code"], found = ""): Reading<undefined> => ({
    value: undefined,
    problems: [wholeProblem(code, found)],
  });
  try {
    const { title: named, meters: marks, key, voices, drums, problems } = await midiVoices(bytes);
    if (voices.length === 0) return drums > 0 ? none("only-drums", String(drums)) : none("no-notes");
    const meters = marks.map(({ at, beats, unit }) => ({ at, meter: { beats, unit } }));
    const meter: Meter = meters[0]?.meter ?? { beats: 4, unit: 4 };
    const count = voices.reduce((sum, { notes }) => sum + notes.length, 0);
    const kept = count > MAX_NOTES ? cut(voices) : voices;
    const [melody, ...others] = parted(kept);
    const top = quantised(melody?.notes ?? []);
    const under = others.flatMap(({ notes }, at) =>
      quantised(notes).map((note) => ({ ...note, voice: at + 1 })),
    );
    const end = [...top, ...under].reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
    const bars = barsFor(end, meters, MAX_BARS);
    const pitches = spelledInContext([...top, ...under]);
    const spelled = <T extends (typeof top)[number]>(notes: readonly T[], from: number) =>
      notes.flatMap((note, at) => {
        const pitch = pitches[from + at];
        return pitch ? [{ ...note, pitch }] : [];
      });
    const cutAt = bars.length === MAX_BARS || count > MAX_NOTES;
    const lying = placedIn(bars, spelled(under, top.length));
    return {
      value: {
        title: named || title,
        notes: placedIn(bars, spelled(top, 0)),
        ...(melody && lying.length > 0
          ? { beneath: lying, voices: [melody, ...others].map(voiceOf(title)) }
          : {}),
        bars,
        meter,
        keys: declaredKeys(key),
      },
      problems: [...problems, ...(cutAt ? [wholeProblem("too-long", String(count))] : [])],
    };
  } catch {
    return none("midi-unread", magic(bytes));
  }
}

/** The first characters of the file, where they say what it is instead. */
const magic = (bytes: Uint8Array) =>
  String.fromCharCode(...bytes.subarray(0, 12)).replaceAll(/[^\x20-\x7e]/gu, "");

/** The first notes of all voices, as many as are read. */
function cut(voices: readonly MidiVoice[]): readonly MidiVoice[] {
  const onsets = voices.flatMap(({ notes }) => notes.map(({ onset }) => onset)).sort((a, b) => a - b);
  const last = onsets[MAX_NOTES - 1] ?? Infinity;
  return voices.map((voice) => ({ ...voice, notes: voice.notes.filter(({ onset }) => onset <= last) }));
}

const MELODY_NAMES = /melod|vocal|voice|lead|solo|fiddle|violin|flute|sopran/iu;
/** A voice with fewer notes than this share of the fullest is no melody. */
const LEAST_SHARE = 0.25;

/**
 * The voices with the melody first: the one that is named so, or else the highest of those that have enough notes. What a hand
 * plays under its own melody is a voice of its own.
 */
function parted(voices: readonly MidiVoice[]): readonly MidiVoice[] {
  const most = voices.reduce((least, { notes }) => Math.max(least, notes.length), 0);
  const able = voices.filter(({ notes }) => notes.length >= most * LEAST_SHARE);
  const height = ({ notes }: MidiVoice) => notes.reduce((sum, { midi }) => sum + midi, 0) / notes.length;
  const melody =
    able.find(({ name }) => MELODY_NAMES.test(name)) ??
    able.reduce((best, next) => (height(next) > height(best) ? next : best));
  const [top, under] = skyline(melody.notes);
  const others = voices.filter((voice) => voice !== melody);
  return [{ ...melody, notes: top }, ...(under.length > 0 ? [{ ...melody, notes: under }] : []), ...others];
}

/** How a voice is written: each on a staff of its own, in the clef that suits it. */
const voiceOf =
  (title: string) =>
  ({ name, notes }: MidiVoice, staff: number): TuneVoice => ({
    name: name === title ? "" : name,
    staff,
    clef: clefFor(notes.map(({ midi }) => midi)),
  });

/** Notes struck together count as together within this much of a quarter. */
const TOGETHER = 0.06;
/** A hand that holds a third and more below a note is accompanying it. */
const APART = 12;

/** Of notes struck together the highest is the melody's; one that sounds an octave and more under a held note is not. */
function skyline(notes: readonly MidiNote[]): readonly [readonly MidiNote[], readonly MidiNote[]] {
  const sorted = [...notes].sort((a, b) => a.onset - b.onset || b.midi - a.midi);
  const top: MidiNote[] = [];
  const under: MidiNote[] = [];
  for (const note of sorted) {
    const before = top.at(-1);
    const isTogether = before !== undefined && note.onset - before.onset < TOGETHER;
    const isHeldOver =
      before !== undefined &&
      before.onset + before.duration > note.onset + TOGETHER &&
      before.midi - note.midi >= APART;
    (isTogether || isHeldOver ? under : top).push(note);
  }
  return [top, under];
}

const declaredKeys = (key: MidiRead["key"]): Tune["keys"] =>
  key
    ? [{ home: key.tonic + (key.isMinor ? 3 : 0), mode: mode(key.isMinor ? "aeolian" : "ionian"), bar: 0 }]
    : [];

/** The notes of a tune as a MIDI part has them, melody or beneath. */
export const midiNotes = (notes: Tune["notes"]) =>
  notes.map(({ pitch, onset, duration }) => ({ midi: midiOf(pitch), at: onset, length: duration }));
