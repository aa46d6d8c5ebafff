import { halfSteps, midiOf, modulo, type Pitch, soundOf } from "../pitch";
import type { HomeMode, Mode } from "../scale";
import { COMFORTABLE_STRETCH, type Fingered, type FingerWishes, fingerRun } from "./hand";
import { keyFingers } from "./key-fingers";
import { namesOf, placesOf } from "./neck";
import { openSounds, type Tuning } from "./tuning";

/** The figures of lines, in the order in which they are offered. */
export const LINE_FIGURES = [
  "scale",
  "thirds",
  "fourths",
  "triads",
  "three-note-groups",
  "four-note-groups",
  "arpeggios",
] as const;
export type LineFigure = (typeof LINE_FIGURES)[number];

/** How the figure that is moved through the mode goes, in steps of the mode. */
const FIGURES: Readonly<Record<LineFigure, readonly number[]>> = {
  scale: [0],
  thirds: [0, 2],
  fourths: [0, 3],
  triads: [0, 2, 4],
  "three-note-groups": [0, 1, 2],
  "four-note-groups": [0, 1, 2, 3],
  arpeggios: [0, 2, 4, 6, 8, 7],
};

/**
 * Steps of the mode above home, note by note: the figure on each step up until it reaches the top, then turned round, on
 * each step down. It begins and ends on home. A figure wider than an octave, the arpeggio 1 3 5 7 9 8 of each mode in turn, takes an octave
 * more.
 *
 * @example lineSteps(7, "thirds", 1) // 0 2 1 3 2 4 3 5 4 6 5 7, 7 5 6 4 5 3 4 2 3 1 2 0
 */
export function lineSteps(notes: number, figure: LineFigure, octaves: 1 | 2): readonly number[] {
  const steps = FIGURES[figure];
  const width = Math.max(...steps);
  const top = notes * (width > notes ? octaves + 1 : octaves);
  const begins = Array.from({ length: top - width + 1 }, (_, at) => at);
  const up = begins.flatMap((from) => steps.map((step) => from + step));
  const down = [...begins].reverse().flatMap((from) => steps.map((_, at) => from + (steps.at(-1 - at) ?? 0)));
  return [...up, ...(width === 0 ? down.slice(1) : down)];
}

/** A note of a line, with where and how it is taken; on a keyboard without a place. */
export interface LineNote {
  readonly pitch: Pitch;
  readonly finger: number;
  readonly place?: Fingered;
}

/** A line that is asked for. */
export interface LineAsked {
  readonly figure: LineFigure;
  readonly octaves: 1 | 2;
  /** The index finger's fret to begin near. */
  readonly near?: number;
  /** Millimetres that the hand may open. */
  readonly limit?: number;
}

/** Sound of a step of a mode above a home at a MIDI number. */
const stepSound = ({ intervals }: Mode, home: number, step: number): number =>
  home + 12 * Math.floor(step / intervals.length) + halfSteps(intervals[step % intervals.length] ?? 0);

/** The homes of an instrument, lowest first, from which a line does not leave it. */
function homesFor(
  { home }: HomeMode,
  [low, high]: readonly [number, number],
  width: number,
): readonly number[] {
  return Array.from({ length: Math.max(0, high - width - low + 1) }, (_, at) => low + at).filter(
    (midi) => midi % 12 === soundOf(home),
  );
}

function pitchesOf(homeMode: HomeMode, asked: LineAsked, home: number): readonly Pitch[] {
  const named = namesOf(homeMode);
  return lineSteps(homeMode.mode.intervals.length, asked.figure, asked.octaves).flatMap(
    (step) => named(stepSound(homeMode.mode, home, step)) ?? [],
  );
}

/** Half steps from home to the top of a line. */
const widthOf = ({ mode }: HomeMode, { figure, octaves }: LineAsked): number =>
  stepSound(mode, 0, Math.max(...lineSteps(mode.intervals.length, figure, octaves)));

/**
 * A line through a mode on a neck, with the easiest fingering that keeps the hand within its limit: from the lowest home
 * that the hand reaches, otherwise the highest from which it fits. Undefined where the neck is too short for it.
 *
 * @example lineOn(GUITAR, D Dorian, { figure: "thirds", octaves: 1, near: 5 })?.length // 24
 */
export function lineOn(
  tuning: Tuning,
  homeMode: HomeMode,
  asked: LineAsked,
): readonly LineNote[] | undefined {
  const opens = openSounds(tuning);
  const [low, high] = [Math.min(...opens), Math.max(...opens) + tuning.frets - tuning.capo];
  const near = Math.max(asked.near ?? tuning.capo + 1, tuning.capo + 1);
  const fitting = homesFor(homeMode, [low, high], widthOf(homeMode, asked));
  const home = fitting.find((midi) => midi >= low + near - 1 - tuning.capo) ?? fitting.at(-1);
  if (home === undefined) return undefined;
  const pitches = pitchesOf(homeMode, asked, home);
  const run = fingeredBy(tuning, pitches, asked.figure, { limit: asked.limit ?? COMFORTABLE_STRETCH, near });
  return run?.flatMap((place, at) => {
    const pitch = pitches[at];
    return pitch ? [{ pitch, finger: place.finger, place }] : [];
  });
}

/** The whole line under one plan; arpeggios a mode at a time, each fingered for itself from where the one before left the hand. */
function fingeredBy(
  tuning: Tuning,
  pitches: readonly Pitch[],
  figure: LineFigure,
  wishes: FingerWishes,
): readonly Fingered[] | undefined {
  const places = pitches.map((pitch) => placesOf(tuning, midiOf(pitch)));
  if (figure !== "arpeggios") return fingerRun(tuning, places, wishes);
  const size = FIGURES.arpeggios.length;
  const run: Fingered[] = [];
  for (let from = 0; from < places.length; from += size) {
    const last = run.at(-1);
    const group = fingerRun(tuning, places.slice(from, from + size), {
      ...wishes,
      near: last?.hand ?? wishes.near,
    });
    if (!group) return undefined;
    run.push(
      ...group.map((note, at) => (at === 0 && last ? { ...note, isShift: note.hand !== last.hand } : note)),
    );
  }
  return run;
}

/** Home of a line on a keyboard: the first at or above C4, where the right hand lies. */
const KEYBOARD_FROM = 60;

/** The same on a keyboard, for the right hand: thumb 1 to little finger 5. */
export function lineOnKeys(homeMode: HomeMode, asked: LineAsked): readonly LineNote[] {
  const home = KEYBOARD_FROM + modulo(soundOf(homeMode.home) - KEYBOARD_FROM, 12);
  const pitches = pitchesOf(homeMode, asked, home);
  const fingers = keyFingers(pitches.map(midiOf));
  return pitches.map((pitch, at) => ({ pitch, finger: fingers[at] ?? 1 }));
}
