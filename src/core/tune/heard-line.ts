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

/** Seconds of one turn of a vibrato: over so long its ups and downs even out. */
const TURN = 0.18;
/** Heights further apart within a turn than this many half steps are more than a vibrato. */
const TREMBLES = 1.6;

/** The height of each frame that stands in a steady note, its vibrato evened out. */
function steadyHeights(sounding: readonly PitchFrame[]): readonly number[] {
  const heights = sounding.map(({ hertz }) => heightOf(hertz));
  const steady: number[] = [];
  let from = 0;
  for (const [to, { time }] of sounding.entries()) {
    while (time - (sounding[from]?.time ?? time) > TURN) from += 1;
    const turn = heights.slice(from, to + 1);
    if (time - (sounding[from]?.time ?? time) < TURN * 0.9) continue;
    if (Math.max(...turn) - Math.min(...turn) < TREMBLES)
      steady.push(turn.reduce((sum, each) => sum + each, 0) / turn.length);
  }
  return steady.length > 0 ? steady : heights;
}

/**
 * How far the whole recording lies off the half steps, from -0.5 to 0.5: players tune to one another, not to 440 Hz. The mean
 * direction on the circle of a half step, of its steady notes: a wide vibrato is seldom where it is heard.
 */
export function tuningOf(frames: readonly PitchFrame[]): number {
  const [x, y] = steadyHeights(soundingFrames(frames)).reduce<[number, number]>(
    ([cos, sin], height) => [cos + Math.cos(2 * Math.PI * height), sin + Math.sin(2 * Math.PI * height)],
    [0, 0],
  );
  return Math.atan2(y, x) / (2 * Math.PI);
}

/** A note that was heard, and where its pitch lies: in half steps as MIDI counts them, not rounded, with nothing taken off. */
export interface HeardNote extends Timed {
  readonly height: number;
}

/**
 * What it costs to leave a half step for another, in half steps for a hundredth of a second: to stay beside the pitch for longer than about a
 * tenth of a second is dearer. Off by more than `FAR` half steps is no worse: the tracker slipped.
 */
const LEAVING = 6.5;
const FAR = 1.5;
/** Over a break of up to this many seconds a note goes on where its loudness does: a breath's noise hides the pitch and not the voice. */
const HIDDEN = 0.14;
const FALLEN = 0.35;
/** A slide is shorter than this many seconds and moves from its first third to its last by more than this many half steps: it belongs to the note that it leads to. */
const SLIDE = { within: 0.26, moves: 0.5 };
/** The share of a note in which it comes to its pitch. */
const COMING = 0.3;
/** Seconds after which a note may be struck anew. */
const STRUCK_AFTER = 0.07;

/** Frames at one half step, one after another. */
interface Stretch {
  readonly midi: number;
  readonly frames: PitchFrame[];
  /** How soft it has become since it began to sound: what rises much from there is struck anew. */
  lowest: number;
}

/**
 * The notes in a line of one voice, in seconds: the half steps that the pitch stays nearest to as a whole, so that neither vibrato nor a slide
 * makes notes (the cheapest way through the half steps, Viterbi 1967), parted where one is struck anew. What is too short to be a note belongs
 * to the note that it leads to.
 *
 * @example heardNotes(frames of A4 for a second) // [{ midi: 69, height: 69.02, onset: 0, duration: 1 }]
 */
export function heardNotes(frames: readonly PitchFrame[]): readonly HeardNote[] {
  const sounding = smoothed(soundingFrames(frames));
  const [first] = sounding;
  if (!first) return [];
  const off = tuningOf(frames);
  const step = (frames[1]?.time ?? 0) - (frames[0]?.time ?? 0);
  const heights = sounding.map(({ hertz }) => heightOf(hertz) - off);
  const steps = nearestSteps(heights);
  const stretches: Stretch[] = [];
  for (const [at, frame] of sounding.entries()) {
    const midi = steps[at] ?? 0;
    const open = stretches.at(-1);
    const last = open?.frames.at(-1);
    if (open && last && open.midi === midi && goesOn(open, frame, frames, step)) {
      open.frames.push(frame);
      if (frame.time - (open.frames[0]?.time ?? 0) >= STRUCK_AFTER)
        open.lowest = Math.min(open.lowest, frame.level);
    } else stretches.push({ midi, frames: [frame], lowest: Infinity });
  }
  const notes = withoutSlides(stretches, step);
  return joined(
    notes
      .filter((each) => lengthOf(each, step) >= SHORTEST)
      .map(({ midi, frames: own }) => {
        const settled = own.slice(Math.floor(own.length * COMING));
        return {
          midi,
          height: middle(settled.map(({ hertz }) => heightOf(hertz))),
          onset: own[0]?.time ?? 0,
          duration: lengthOf({ frames: own }, step),
        };
      }),
  );
}

const lengthOf = ({ frames }: Pick<Stretch, "frames">, step: number): number =>
  (frames.at(-1)?.time ?? 0) - (frames[0]?.time ?? 0) + step;

/** The half step of each frame on the cheapest way through all of them. */
function nearestSteps(heights: readonly number[]): readonly number[] {
  const low = Math.floor(heights.reduce((least, each) => Math.min(least, each), Infinity));
  const count = Math.ceil(heights.reduce((most, each) => Math.max(most, each), -Infinity)) - low + 1;
  let costs = new Float64Array(count);
  const from: Uint8Array[] = [];
  for (const height of heights) {
    let cheapest = 0;
    for (let state = 1; state < count; state += 1)
      if ((costs[state] ?? 0) < (costs[cheapest] ?? 0)) cheapest = state;
    const leaving = (costs[cheapest] ?? 0) + LEAVING;
    const came = new Uint8Array(count);
    const next = new Float64Array(count);
    for (let state = 0; state < count; state += 1) {
      const stays = costs[state] ?? 0;
      came[state] = stays <= leaving ? state : cheapest;
      next[state] = Math.min(stays, leaving) + Math.min(FAR, Math.abs(height - low - state));
    }
    costs = next;
    from.push(came);
  }
  let state = costs.reduce((best, cost, at) => (cost < (costs[best] ?? 0) ? at : best), 0);
  const steps: number[] = [];
  for (const came of from.toReversed()) {
    steps.push(low + state);
    state = came[state] ?? state;
  }
  return steps.reverse();
}

/** Whether a note goes on in a frame at the same half step: it neither broke off nor was struck anew. */
function goesOn(
  { frames: own, lowest }: Stretch,
  frame: PitchFrame,
  all: readonly PitchFrame[],
  step: number,
): boolean {
  const last = own.at(-1);
  if (!last) return true;
  const gap = frame.time - last.time - step;
  if (gap > GAP) {
    if (gap > HIDDEN) return false;
    const between = all.filter(({ time }) => time > last.time && time < frame.time);
    if (between.some(({ level }) => level < FALLEN * last.level)) return false;
  }
  return frame.level < lowest * STRUCK;
}

/** Whether a stretch is still on its way to another half step at its end. */
function slidesTo({ midi, frames }: Stretch, next: number): boolean {
  const third = Math.max(1, Math.floor(frames.length / 3));
  const mean = (some: readonly PitchFrame[]) =>
    some.reduce((sum, { hertz }) => sum + heightOf(hertz), 0) / some.length;
  const [first, middle, last] = [
    frames.slice(0, third),
    frames.slice(third, -third),
    frames.slice(-third),
  ].map((some) => mean(some.length > 0 ? some : frames));
  const way = Math.sign(next - midi);
  return (
    ((last ?? 0) - (first ?? 0)) * way > SLIDE.moves && ((last ?? 0) - (middle ?? 0)) * way > SLIDE.moves / 3
  );
}

/** Stretches with each slide, and each that is too short to be a note, given to the one that it leads to; at the end to the one before. */
function withoutSlides(stretches: readonly Stretch[], step: number): readonly Stretch[] {
  const notes: Stretch[] = [];
  let leading: PitchFrame[] = [];
  for (const [at, stretch] of stretches.entries()) {
    const next = stretches[at + 1];
    const gap = next && (next.frames[0]?.time ?? 0) - (stretch.frames.at(-1)?.time ?? 0) - step;
    const isLinked = gap !== undefined && gap <= GAP;
    const length = lengthOf(stretch, step);
    const isSlide = length < SLIDE.within && next !== undefined && slidesTo(stretch, next.midi);
    if (isLinked && (length < SHORTEST || isSlide)) leading.push(...stretch.frames);
    else {
      notes.push({ ...stretch, frames: [...leading, ...stretch.frames] });
      leading = [];
    }
  }
  return notes;
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
function joined(notes: readonly HeardNote[]): readonly HeardNote[] {
  return notes.map((note, at) => {
    const next = notes[at + 1];
    const gap = next ? next.onset - (note.onset + note.duration) : Infinity;
    return gap < SHORTEST ? { ...note, duration: note.duration + gap } : note;
  });
}
