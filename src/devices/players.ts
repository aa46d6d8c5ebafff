import { midiOf } from "@/core/pitch";
import type { Timed, Tune } from "@/core/tune";

/** How somebody plays who stands in for a player before a microphone. */
export interface Playing {
  /** Strengths of the partials, the fundamental first. */
  readonly partials: readonly number[];
  /** Seconds in which a note takes hold and lets go, and decibels by which it dies away in a second. */
  readonly attack: number;
  readonly release: number;
  readonly decay: number;
  /** Vibrato in half steps and turns a second, on notes longer than so many seconds. */
  readonly vibrato: { readonly depth: number; readonly rate: number; readonly from: number };
  /** Half steps below a note from which it is slid into, and the seconds of that. */
  readonly scoop: { readonly below: number; readonly seconds: number };
  /** Half steps that the whole of it is flat, as what is tuned by ear may be. */
  readonly flat: number;
  /** How loud the noise of bow or breath is. */
  readonly noise: number;
}

/** Those who stand in: a fiddler, a singer, a guitarist. */
export const PLAYERS = {
  fiddler: {
    partials: [1, 0.55, 0.38, 0.22, 0.12, 0.06],
    attack: 0.025,
    release: 0.05,
    decay: 0,
    vibrato: { depth: 0.12, rate: 5.4, from: 0.35 },
    scoop: { below: 0, seconds: 0 },
    flat: 0.08,
    noise: 0.004,
  },
  singer: {
    partials: [1, 0.7, 0.45, 0.2, 0.12],
    attack: 0.06,
    release: 0.08,
    decay: 0,
    vibrato: { depth: 0.35, rate: 5.6, from: 0.3 },
    scoop: { below: 1.2, seconds: 0.1 },
    flat: 0.2,
    noise: 0.008,
  },
  guitarist: {
    partials: [1, 0.5, 0.3, 0.2, 0.1, 0.05],
    attack: 0.004,
    release: 0.05,
    decay: 9,
    vibrato: { depth: 0, rate: 5, from: 9 },
    scoop: { below: 0, seconds: 0 },
    flat: -0.04,
    noise: 0.002,
  },
} as const satisfies Readonly<Record<string, Playing>>;

export type Player = keyof typeof PLAYERS;

/** Loudness of a note, beside full scale. */
const LOUD = 0.22;

/**
 * Notes as samples from -1 to 1, as somebody plays them. The same notes always sound the same.
 *
 * @param rate samples a second
 * @example performed(notes, 44_100, PLAYERS.singer)
 */
export function performed(
  notes: readonly Timed[],
  rate: number,
  { partials, attack, release, decay, vibrato, scoop, flat, noise }: Playing,
): Float32Array<ArrayBuffer> {
  const end = notes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
  const samples = new Float32Array(Math.ceil((end + 0.3) * rate));
  let seed = 1;
  for (let at = 0; at < samples.length; at += 1) {
    seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
    samples[at] = (seed / 2_147_483_648 - 1) * noise;
  }
  for (const { midi, onset, duration } of notes) {
    const first = Math.floor(onset * rate);
    const count = Math.floor(duration * rate);
    let turn = 0;
    for (let at = 0; at < count; at += 1) {
      const time = at / rate;
      const tremble =
        duration > vibrato.from ? vibrato.depth * Math.sin(2 * Math.PI * vibrato.rate * time) : 0;
      const slide = time < scoop.seconds ? -scoop.below * (1 - time / scoop.seconds) : 0;
      turn += (440 * 2 ** ((midi - 69 - flat + tremble + slide) / 12)) / rate;
      const swell = Math.min(1, time / attack, (duration - time) / release) * 10 ** ((-decay * time) / 20);
      const sound = partials.reduce(
        (sum, strength, partial) => sum + strength * Math.sin(2 * Math.PI * turn * (partial + 1)),
        0,
      );
      samples[first + at] = (samples[first + at] ?? 0) + LOUD * swell * sound;
    }
  }
  return samples;
}

/** The notes of a tune by the clock, so many quarters a minute. */
export function timedNotes({ notes }: Pick<Tune, "notes">, tempo: number): readonly Timed[] {
  const quarter = 60 / tempo;
  return notes.map(({ pitch, onset, duration }) => ({
    midi: midiOf(pitch),
    onset: onset * quarter,
    duration: duration * quarter * HELD,
  }));
}

/** The bow comes off a little before each note is over. */
const HELD = 0.92;
