import type * as ToneModule from "tone";
import type { Striker } from "./sampled";
import type { Part } from "./score";

interface Partials {
  readonly partials: readonly number[];
  readonly envelope: { attack: number; decay: number; sustain: number; release: number };
}

/**
 * What stands in where recordings are not here yet or cannot be had: a plucked line, a soft held note, a soft keyboard, a bass and a click,
 * each its own row of partials, the fundamental strongest, so that the pitch is never in doubt.
 */
const PARTIALS: Readonly<Record<Part, Partials>> = {
  line: {
    partials: [1, 0.45, 0.32, 0.16, 0.12, 0.06, 0.04],
    envelope: { attack: 0.004, decay: 0.7, sustain: 0.12, release: 0.5 },
  },
  drone: {
    partials: [1, 0.3, 0.22, 0.08, 0.05],
    envelope: { attack: 0.25, decay: 0.2, sustain: 0.8, release: 0.6 },
  },
  chord: {
    partials: [1, 0.22, 0.1, 0.04],
    envelope: { attack: 0.02, decay: 1.2, sustain: 0.3, release: 0.5 },
  },
  bass: { partials: [1, 0.3, 0.08], envelope: { attack: 0.01, decay: 1, sustain: 0.5, release: 0.3 } },
  click: { partials: [1, 0, 0.3], envelope: { attack: 0.001, decay: 0.04, sustain: 0, release: 0.02 } },
};

/** The click's stand-in is pitched as a metronome's beep is, higher than the keys that its recordings stand on. */
const CLICK_RAISED = 17;

/** How loud the stand-ins are beside recordings. */
const GAIN = 0.3;

/** Milliseconds in which a voice that is let go dies away, and after which everything that it ever began has ended. */
const DYING = 100;
const AFTER_ENDS = 1000;

/** Notes of one part that sound at the same time, their ends included; the note that ends first gives way beyond that. */
const MAX_VOICES = 16;

/**
 * Voices of one kind that take notes one after another. The library's own polyphonic instrument waits for a note's time on a timer,
 * which is up to a block of samples late when rendering; here every note goes to its voice at once, with its exact time.
 */
export function synthesized(tone: typeof ToneModule, part: Part, into: ToneModule.InputNode): Striker {
  const { partials, envelope } = PARTIALS[part];
  let made: { readonly synth: ToneModule.Synth; begins: number; freeAt: number }[] = [];
  const free = (time: number) => {
    const found = made.find(({ freeAt }) => freeAt <= time);
    if (found) return found;
    if (made.length >= MAX_VOICES)
      return made.reduce((first, each) => (each.freeAt < first.freeAt ? each : first));
    const synth = new tone.Synth({
      oscillator: { type: "custom", partials: [...partials] },
      envelope,
    }).connect(into);
    const voice = { synth, begins: 0, freeAt: 0 };
    made.push(voice);
    return voice;
  };
  return {
    strike: ({ midi, seconds, time, loud = 1 }) => {
      const voice = free(time);
      voice.begins = time;
      voice.freeAt = time + seconds + envelope.release + 0.02;
      const key = part === "click" ? midi + CLICK_RAISED : midi;
      const hertz = tone.Frequency(key, "midi").toFrequency();
      voice.synth.triggerAttackRelease(hertz, Math.max(0.01, seconds), time, loud * GAIN);
    },
    release: (now, after = -Infinity) => {
      const gone = made.filter(({ begins }) => begins > after);
      made = made.filter(({ begins }) => begins <= after);
      for (const { synth, freeAt } of gone) {
        synth.triggerRelease();
        // What was struck ahead of time would still begin: the voice is cut off once it has died away.
        setTimeout(() => synth.disconnect(), DYING);
        // The library takes each oscillator off the voice when the oscillator ends, and throws where the voice has gone before. A page that
        // stood still gets the ends in the turn after this one.
        const dispose = () => setTimeout(() => synth.dispose(), AFTER_ENDS);
        setTimeout(dispose, Math.max(0, freeAt - now) * 1000 + DYING);
      }
    },
  };
}
