import type { Timed } from "./played";

/** The pitch at one moment of a recording. */
export interface PitchFrame {
  /** Seconds from the start. */
  readonly time: number;
  /** Fundamental in hertz; meaningless where `clarity` is low. */
  readonly hertz: number;
  /** How periodic the sound is, 0 to 1. */
  readonly clarity: number;
  /** Loudness, root mean square, 0 to 1. */
  readonly level: number;
}

/** Below this a frame is breath, bow noise or silence. */
const CLEAR = 0.82;
/** Quieter than this share of the loudest frame is silence. */
const QUIET = 0.06;
/** Notes shorter than this are slips between notes, in seconds. */
const SHORTEST = 0.07;
/** A gap up to this does not part a note. */
const GAP = 0.05;
/** How far the pitch must go past the middle between two half steps to leave a note. */
const HOLD = 0.65;
/** A note is struck anew where the level rises by this factor from its lowest since the last note began. */
const STRUCK = 1.8;
/** No instrument here sounds lower or higher. */
const RANGE = { low: 30, high: 2400 };

/** The height of a frequency in half steps, as MIDI counts them: 440 Hz is 69. */
export const heightOf = (hertz: number): number => 69 + 12 * Math.log2(hertz / 440);

/** Frames that sound a pitch. */
export function soundingFrames(frames: readonly PitchFrame[]): readonly PitchFrame[] {
  const loudest = frames.reduce((most, { level }) => Math.max(most, level), 0);
  return frames.filter(
    ({ clarity, level, hertz }) =>
      clarity >= CLEAR && level > QUIET * loudest && hertz > RANGE.low && hertz < RANGE.high,
  );
}

/**
 * How far the whole recording lies off the half steps, from -0.5 to 0.5: players tune to one another, not to 440 Hz. The mean
 * direction on the circle of a half step.
 */
export function tuningOf(frames: readonly PitchFrame[]): number {
  const [x, y] = soundingFrames(frames).reduce<[number, number]>(
    ([cos, sin], { hertz }) => {
      const turn = 2 * Math.PI * heightOf(hertz);
      return [cos + Math.cos(turn), sin + Math.sin(turn)];
    },
    [0, 0],
  );
  return Math.atan2(y, x) / (2 * Math.PI);
}

interface OpenNote {
  midi: number;
  from: number;
  to: number;
  lowest: number;
  heights: number[];
}

/**
 * The notes in a line of one voice, in seconds: stretches at one half step, parted where the pitch moves on or the note is
 * struck anew. Slides and slips too short to be notes are passed over.
 *
 * @example heardNotes(frames of A4 for a second) // [{ midi: 69, onset: 0, duration: 1 }]
 */
export function heardNotes(frames: readonly PitchFrame[]): readonly Timed[] {
  const off = tuningOf(frames);
  const step = (frames[1]?.time ?? 0) - (frames[0]?.time ?? 0);
  const notes: OpenNote[] = [];
  let open: OpenNote | undefined;
  for (const frame of smoothed(soundingFrames(frames))) {
    const height = heightOf(frame.hertz) - off;
    const goesOn =
      open !== undefined &&
      frame.time - open.to <= GAP + step &&
      Math.abs(height - open.midi) < HOLD &&
      frame.level < open.lowest * STRUCK;
    if (open && goesOn) {
      open.to = frame.time;
      // A note dies away; what it rises from is its lowest since it began to.
      open.lowest = Math.min(open.lowest, frame.level);
      open.heights.push(height);
    } else {
      const isNew =
        open !== undefined && Math.abs(height - open.midi) < HOLD && frame.time - open.from < SHORTEST;
      if (open && isNew) {
        // The attack itself still grows louder.
        open.to = frame.time;
        open.lowest = frame.level;
        open.heights.push(height);
        continue;
      }
      open = {
        midi: Math.round(height),
        from: frame.time,
        to: frame.time,
        lowest: frame.level,
        heights: [height],
      };
      notes.push(open);
    }
  }
  return joined(
    notes
      .filter(({ from, to }) => to - from + step >= SHORTEST)
      .map(({ from, to, heights }) => ({
        midi: Math.round(middle(heights)),
        onset: from,
        duration: to - from + step,
      })),
  );
}

const middle = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

/** Single frames an octave or more off are slips of the tracker: each takes the middle of itself and its neighbours. */
function smoothed(frames: readonly PitchFrame[]): readonly PitchFrame[] {
  return frames.map((frame, at) => {
    const near = [frames[at - 1], frame, frames[at + 1]].flatMap((each) =>
      each && Math.abs(each.time - frame.time) < GAP ? [each.hertz] : [],
    );
    return near.length === 3 ? { ...frame, hertz: middle(near) } : frame;
  });
}

/** A note lasts until the next begins where hardly anything lies between. */
function joined(notes: readonly Timed[]): readonly Timed[] {
  return notes.map((note, at) => {
    const next = notes[at + 1];
    const gap = next ? next.onset - (note.onset + note.duration) : Infinity;
    return gap < SHORTEST ? { ...note, duration: note.duration + gap } : note;
  });
}
