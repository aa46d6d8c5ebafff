import { type Chord, readSymbol } from "@/core/chord";
import { type Fifths, fifthsFrom, midiOf, modulo, type Pitch, pitchAt } from "@/core/pitch";
import type { Problem, Reading } from "@/core/problem";
import { mode } from "@/core/scale";
import {
  barLength,
  type DeclaredKey,
  type FoundBar,
  lastingChords,
  type Meter,
  numberBars,
  type Tune,
  type TuneNote,
} from "@/core/tune";
import { harmonyIn } from "./musicxml";
import { symbolOf } from "./musicxml-harmony";
import { MOST_NOTES } from "./notes";
import {
  attribute,
  childrenOf,
  first,
  inside,
  nameIn,
  named,
  numberOf,
  scoreIn,
  textOf,
  titleOf,
  type XmlNode,
} from "./xml";

/** How far an instrument sounds from what is written, by name and by octave. */
interface Transposing {
  readonly fifths: Fifths;
  readonly halfSteps: number;
}

/** What is gathered of a part while its measures are gone through. */
interface Part {
  readonly name: string;
  readonly voices: Map<string, (TuneNote & { duration: number })[]>;
  readonly bars: FoundBar[];
  readonly chords: { readonly chord: Chord; readonly onset: number; readonly bar: number }[];
  readonly keys: DeclaredKey[];
  readonly problems: Problem[];
  readonly meters: Meter[];
  end: number;
}

/**
 * Reads the music of a MusicXML score, compressed or not: every part at the pitch that it sounds, ties joined, grace notes and
 * percussion left out, chord symbols, repeats and endings. The first voice of the first part with pitches is the melody, the
 * others lie beneath it. Never throws.
 *
 * @example (await readMusicXmlTune("<score-partwise>…</score-partwise>")).value?.notes.length
 * @source MusicXML 4.0, W3C Community Group report
 */
export async function readMusicXmlTune(
  file: string | Uint8Array,
  title = "",
): Promise<Reading<Tune | undefined>> {
  const none = (code: Problem["code"], found = ""): Reading<undefined> => ({
    value: undefined,
    problems: [{ code, offset: 0, length: 0, found }],
  });
  try {
    const score = await scoreIn(file);
    if (!score) return none("xml-unread");
    const names = new Map(
      named(inside(score, "part-list"), "score-part").map((node) => [
        attribute(node, "id"),
        textOf(childrenOf(node), "part-name"),
      ]),
    );
    const parts = named(score, "part").map((node) =>
      readPart(named(childrenOf(node), "measure"), names.get(attribute(node, "id")) ?? ""),
    );
    const sounding = parts.filter(({ voices }) => voices.size > 0);
    const [top] = sounding;
    if (!top) {
      const drums = parts.some(({ problems }) => problems.some(({ code }) => code === "only-drums"));
      return none(drums ? "only-drums" : "no-notes", titleOf(score));
    }
    const voices = sounding.flatMap((part) => [...part.voices.values()]);
    const [melody = []] = [...top.voices.values()];
    const beneath = voices.filter((voice) => voice !== melody).flat();
    const chords = parts.find((part) => part.chords.length > 0);
    const lastBar = top.bars.length - 1;
    const sorted = (notes: readonly TuneNote[]) =>
      notes
        .map((note) => (note.bar > lastBar ? { ...note, bar: lastBar } : note))
        .sort((a, b) => a.onset - b.onset);
    return {
      value: {
        title: titleOf(score) || title,
        notes: sorted(melody),
        ...(beneath.length > 0 ? { beneath: sorted(beneath) } : {}),
        ...(chords ? { chords: lastingChords(chords.chords, chords.end) } : {}),
        bars: numberBars(top.bars),
        meter: top.meters[0] ?? { beats: 4, unit: 4 },
        keys: top.keys,
      },
      problems: sounding
        .flatMap(({ problems }) => problems.filter(({ code }) => code !== "only-drums"))
        .slice(0, 50),
    };
  } catch {
    return none("xml-unread");
  }
}

function readPart(measures: readonly XmlNode[], name: string): Part {
  const part: Part = {
    name,
    voices: new Map(),
    bars: [],
    chords: [],
    keys: [],
    problems: [],
    meters: [],
    end: 0,
  };
  const state = {
    divisions: 1,
    meter: { beats: 4, unit: 4 },
    transposing: { fifths: 0, halfSteps: 0 },
    endings: [] as readonly number[],
    start: 0,
    count: 0,
  };
  /** Notes whose tie is open, by voice and sounding pitch. */
  const tied = new Map<string, TuneNote & { duration: number }>();
  for (const [at, measure] of measures.entries()) {
    const nodes = childrenOf(measure);
    const signs = { opens: false, times: 1, endings: state.endings };
    let time = state.start;
    let before = time;
    let end = time;
    let endsSection = at === measures.length - 1;
    for (const node of nodes) {
      const children = childrenOf(node);
      switch (nameIn(node)) {
        case "attributes":
          readAttributes(children, state, part, at);
          break;
        case "harmony": {
          const symbol = symbolOf(harmonyIn(children));
          const reading = symbol === undefined || symbol === "N.C." ? undefined : readSymbol(symbol);
          const onset = time + numberOf(children, "offset", 0) / state.divisions;
          if (reading && "chord" in reading) part.chords.push({ chord: reading.chord, onset, bar: at });
          break;
        }
        case "note": {
          if (first(children, "grace") || first(children, "cue")) break;
          const duration = Math.max(0, numberOf(children, "duration", 0) / state.divisions);
          const isChord = first(children, "chord") !== undefined;
          const onset = isChord ? before : time;
          if (!isChord) {
            before = time;
            time += duration;
          }
          end = Math.max(end, time);
          if (first(children, "unpitched")) {
            if (part.problems.length === 0)
              part.problems.push({ code: "only-drums", offset: 0, length: 0, found: name });
            break;
          }
          const pitch = pitchOf(children, state.transposing);
          if (!pitch || !(duration > 0)) break;
          state.count += 1;
          if (state.count > MOST_NOTES) {
            if (state.count === MOST_NOTES + 1)
              part.problems.push({ code: "too-long", offset: 0, length: 0, found: String(MOST_NOTES) });
            break;
          }
          addNote(part, tied, children, { pitch, onset, duration, bar: at, from: 0, to: 0 });
          break;
        }
        case "backup":
          time = Math.max(state.start, time - numberOf(children, "duration", 0) / state.divisions);
          break;
        case "forward":
          time += numberOf(children, "duration", 0) / state.divisions;
          end = Math.max(end, time);
          break;
        case "barline": {
          const way = attribute(first(children, "repeat") ?? {}, "direction");
          const ending = first(children, "ending");
          const style = textOf(children, "bar-style");
          if (way === "forward") signs.opens = true;
          if (way === "backward")
            signs.times = Math.max(2, Number(attribute(first(children, "repeat") ?? {}, "times")) || 2);
          if (ending && attribute(ending, "type") === "start")
            signs.endings = [...attribute(ending, "number").matchAll(/\d+/gu)].map(Number);
          state.endings = ending && attribute(ending, "type") !== "start" ? [] : signs.endings;
          if (
            way === "backward" ||
            (attribute(node, "location") !== "left" && /light-light|heavy/u.test(style))
          )
            endsSection = true;
        }
      }
    }
    const whole = barLength(state.meter);
    const length = end - state.start || whole;
    part.bars.push({ start: state.start, length, whole: Math.max(whole, length), endsSection, signs });
    part.meters.push(state.meter);
    state.start += length;
  }
  part.end = state.start;
  return part;
}

function addNote(
  { voices }: Part,
  tied: Map<string, TuneNote & { duration: number }>,
  children: readonly XmlNode[],
  note: TuneNote,
): void {
  const voice = textOf(children, "voice") || "1";
  const key = `${voice} ${note.pitch.name} ${note.pitch.octave}`;
  const ties = named(children, "tie").map((tie) => attribute(tie, "type"));
  const held = tied.get(key);
  tied.delete(key);
  if (held && ties.includes("stop")) {
    held.duration = note.onset + note.duration - held.onset;
    if (ties.includes("start")) tied.set(key, held);
    return;
  }
  const own = { ...note };
  const all = voices.get(voice) ?? [];
  all.push(own);
  voices.set(voice, all);
  if (ties.includes("start")) tied.set(key, own);
}

function readAttributes(
  children: readonly XmlNode[],
  state: { divisions: number; meter: Meter; transposing: Transposing },
  part: Part,
  bar: number,
): void {
  const divisions = numberOf(children, "divisions", state.divisions);
  if (divisions > 0) state.divisions = divisions;
  const time = inside(children, "time");
  const beats = textOf(time, "beats")
    .split("+")
    .reduce((sum, each) => sum + Number(each), 0);
  const unit = numberOf(time, "beat-type", 0);
  if (beats > 0 && unit > 0) state.meter = { beats, unit };
  const transpose = inside(children, "transpose");
  if (transpose.length > 0) {
    const halfSteps = numberOf(transpose, "chromatic", 0);
    const octaves = numberOf(transpose, "octave-change", 0);
    const letters = numberOf(transpose, "diatonic", Math.round((halfSteps * 7) / 12));
    state.transposing = { fifths: fifthsBetween(letters, halfSteps), halfSteps: halfSteps + 12 * octaves };
  }
  const key = inside(children, "key");
  if (first(key, "fifths")) {
    const tonic = numberOf(key, "fifths", 0) + state.transposing.fifths;
    const words = textOf(key, "mode").toLowerCase() || "major";
    const named = KEY_MODES[words];
    if (named) part.keys.push({ home: tonic + named.above, mode: mode(named.id), bar });
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
