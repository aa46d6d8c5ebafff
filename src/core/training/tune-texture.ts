import { halfSteps, type Interval, midiOf, modulo, type Pitch, pitchAt } from "../pitch";
import { movePitch } from "../reshape";
import {
  type HomeMode,
  mode as modeById,
  type Mode,
  type PitchClassSet,
  pitchClassSet,
  thirdOf,
} from "../scale";
import { EPSILON, type Tune, type TuneNote } from "../tune";
import type { HeardNote } from "./phrase";

/** A note of a tune on any home: its degree, half steps above home, beat and length in quarters. */
type ExamNote = readonly [interval: Interval, step: number, at: number, length: number];

/** Some bars of a tune that questions are heard in, each time in another mode. */
export interface ExamTune {
  readonly title: string;
  /** Id of the mode that it was written in. */
  readonly mode: string;
  readonly notes: readonly ExamNote[];
  readonly beats: number;
}

/** Bars that one can keep in mind. */
const MAX_BARS = 8;

/**
 * The bars of a tune that tell most about a mode: as many as one can keep in mind, ending a section on home, with the most degrees. Of
 * notes struck together the highest counts. Undefined where nothing ends on home.
 *
 * @example examTune(orchardGate, { home: fifthsOf("E"), mode: dorian })?.beats // 24: eight bars of 6/8
 */
export function examTune(tune: Tune, { home, mode }: HomeMode): ExamTune | undefined {
  const ends = tune.notes.flatMap(({ pitch, bar }, at) => {
    const next = tune.notes[at + 1];
    const isEnd = !next || tune.bars.slice(bar, next.bar).some(({ endsSection }) => endsSection);
    return isEnd && pitch.name === home ? [bar] : [];
  });
  const parts = ends.map((to) => {
    const section = tune.bars.slice(0, to).findLastIndex(({ endsSection }) => endsSection) + 1;
    const from = Math.max(section, to - MAX_BARS + 1);
    return melodyOf(tune.notes.filter(({ bar }) => bar >= from && bar <= to));
  });
  const degrees = (notes: readonly TuneNote[]) => new Set(notes.map(({ pitch }) => pitch.name)).size;
  const [first, ...others] = parts.filter((notes) => notes.length > 1);
  if (!first) return undefined;
  const best = others.reduce((most, each) => (degrees(each) > degrees(most) ? each : most), first);
  const start = best[0]?.onset ?? 0;
  const middle = midiOf({ name: home, octave: 4 });
  const lowest = Math.min(...best.map(({ pitch }) => midiOf(pitch)));
  // Home is the one at the foot of the melody, or the next above its lowest notes.
  const low = middle + 12 * Math.round((lowest - middle) / 12);
  const last = best.at(-1);
  return {
    title: tune.title,
    mode: mode.id,
    notes: best.map(({ pitch, onset, duration }) => [
      pitch.name - home,
      midiOf(pitch) - low,
      onset - start,
      duration,
    ]),
    beats: Math.ceil((last ? last.onset + last.duration : 0) - start - EPSILON),
  };
}

/** One line: of notes struck together the highest. */
function melodyOf(notes: readonly TuneNote[]): readonly TuneNote[] {
  const line: TuneNote[] = [];
  for (const note of notes) {
    const last = line.at(-1);
    if (!last || note.onset > last.onset + EPSILON) line.push(note);
    else if (midiOf(note.pitch) > midiOf(last.pitch)) line[line.length - 1] = note;
  }
  return line;
}

/** Where tunes are moved about: any home would do. */
const HOME: Pitch = { name: 0, octave: 4 };

/**
 * A tune in a mode, home kept, as it is heard in a question.
 *
 * @throws RangeError where the mode that it was written in isn't known.
 */
export function tuneIn(tune: ExamTune, mode: Mode): readonly HeardNote[] {
  const change = {
    from: { home: HOME.name, mode: modeById(tune.mode) },
    to: { home: HOME.name, mode },
  };
  return tune.notes.flatMap(([interval, step, at, length]) => {
    const { pitch } = movePitch(pitchAt(midiOf(HOME) + step, HOME.name + interval), change);
    return pitch ? [{ step: midiOf(pitch) - midiOf(HOME), at, length }] : [];
  });
}

const soundsIn = (tune: ExamTune, mode: Mode): PitchClassSet =>
  pitchClassSet(tuneIn(tune, mode).map(({ step }) => modulo(step, 12)));

/**
 * Whether a tune tells some modes apart, whichever of them it is put into: it has their thirds, and its notes are different ones in each.
 *
 * @example tellsApart(sixPears, [dorian, aeolian]) // false: it never has the 6
 */
export function tellsApart(tune: ExamTune, modes: readonly Mode[]): boolean {
  const sounds = modes.map((mode) => soundsIn(tune, mode));
  const hasThirds = modes.every((mode, at) => {
    const third = thirdOf(mode);
    return third === undefined || (((sounds[at] ?? 0) >> halfSteps(third)) & 1) === 1;
  });
  return hasThirds && new Set(sounds).size === modes.length;
}

/** The tunes that tell some modes apart: which of them is heard says nothing about the mode. */
export const tunesFor = (modes: readonly Mode[], tunes: readonly ExamTune[]): readonly ExamTune[] =>
  tunes.filter((tune) => tellsApart(tune, modes));
