import { midiOf } from "@/core/pitch";
import type { Timed, Tune } from "@/core/tune";

/** Strengths of the partials of a bowed string, the fundamental first. */
const PARTIALS = [1, 0.55, 0.38, 0.22, 0.12, 0.06];
/** Seconds in which the bow takes hold and lets go. */
const [ATTACK, RELEASE] = [0.025, 0.05];
/** Vibrato in half steps and turns a second, on notes longer than this. */
const VIBRATO = { depth: 0.12, rate: 5.4, from: 0.35 };
/** Half steps that the whole of it is flat, as one tuned by ear may be, and how loud the bow's noise is. */
const FLAT = 0.08;
const NOISE = 0.004;

/**
 * A simulated fiddler: notes as samples from -1 to 1, with a bow's attack, vibrato on long notes, a little noise, and all of it
 * slightly flat. It stands in for a player before a microphone. The same notes always sound the same.
 *
 * @param rate samples a second
 */
export function fiddled(notes: readonly Timed[], rate: number): Float32Array<ArrayBuffer> {
  const end = notes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
  const samples = new Float32Array(Math.ceil((end + 0.3) * rate));
  let seed = 1;
  for (let at = 0; at < samples.length; at += 1) {
    seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
    samples[at] = (seed / 2_147_483_648 - 1) * NOISE;
  }
  for (const { midi, onset, duration } of notes) {
    const first = Math.floor(onset * rate);
    const count = Math.floor(duration * rate);
    let turn = 0;
    for (let at = 0; at < count; at += 1) {
      const time = at / rate;
      const bend = duration > VIBRATO.from ? VIBRATO.depth * Math.sin(2 * Math.PI * VIBRATO.rate * time) : 0;
      turn += (440 * 2 ** ((midi - 69 - FLAT + bend) / 12)) / rate;
      const swell = Math.min(1, time / ATTACK, (duration - time) / RELEASE);
      const sound = PARTIALS.reduce(
        (sum, strength, partial) => sum + strength * Math.sin(2 * Math.PI * turn * (partial + 1)),
        0,
      );
      samples[first + at] = (samples[first + at] ?? 0) + 0.22 * swell * sound;
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
