import type * as ToneModule from "tone";
import { type Part, PARTS } from "./score";

/** One part: notes of any number at a time, each struck at its own instant of the audio clock. */
export interface PartInstrument {
  readonly volume: { value: number };
  strike: (hertz: number, seconds: number, time: number) => void;
  /** Lets go of every note at once. */
  releaseAll: () => void;
}

export type PartInstruments = Readonly<Record<Part, PartInstrument>>;

/** Decibels: where sound begins, whatever was set before, and the loudest that can be set. */
export const SAFE_VOLUME = -18;
export const LOUDEST = -4;

/** How loud each part is beside the line where the user has set nothing, and where a part's own volume is silence. */
const BALANCE: Readonly<Record<Part, number>> = { line: 0, drone: -9, chord: -11, bass: -5, click: -8 };
export const PART_SILENT = -40;

/** The user's own volume for each part, in decibels above or below the balance. */
export type PartVolumes = Readonly<Partial<Record<Part, number>>>;

/** The level of a part with the user's own volume. */
export const partLevel = (part: Part, own = 0): number =>
  own <= PART_SILENT ? -Infinity : BALANCE[part] + own;

interface Voice {
  readonly partials: readonly number[];
  readonly envelope: { attack: number; decay: number; sustain: number; release: number };
}

/**
 * A plucked line, a soft held note, a soft keyboard, a bass and a click. Each is its own row of partials, the fundamental
 * strongest, so that the pitch is never in doubt.
 */
const VOICES: Readonly<Record<Part, Voice>> = {
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
  click: {
    partials: [1, 0, 0.3],
    envelope: { attack: 0.001, decay: 0.04, sustain: 0, release: 0.02 },
  },
};

/** Notes of one part that sound at the same time, their ends included; the note that ends first gives way beyond that. */
const MOST_VOICES = 16;

/**
 * Voices of one kind that take notes one after another. The library's own polyphonic instrument waits for a note's time on a timer,
 * which is up to a block of samples late when rendering; here every note goes to its voice at once, with its exact time.
 */
function voices(
  tone: typeof ToneModule,
  { partials, envelope }: Voice,
  into: ToneModule.InputNode,
): PartInstrument {
  const out = new tone.Volume(0).connect(into);
  const made: { readonly synth: ToneModule.Synth; freeAt: number }[] = [];
  const free = (time: number) => {
    const found = made.find(({ freeAt }) => freeAt <= time);
    if (found) return found;
    if (made.length >= MOST_VOICES)
      return made.reduce((first, each) => (each.freeAt < first.freeAt ? each : first));
    const synth = new tone.Synth({
      oscillator: { type: "custom", partials: [...partials] },
      envelope,
    }).connect(out);
    const voice = { synth, freeAt: 0 };
    made.push(voice);
    return voice;
  };
  return {
    volume: out.volume,
    strike: (hertz, seconds, time) => {
      const voice = free(time);
      voice.freeAt = time + seconds + envelope.release + 0.02;
      voice.synth.triggerAttackRelease(hertz, seconds, time);
    },
    releaseAll: () => {
      for (const { synth } of made.splice(0)) {
        synth.triggerRelease();
        // What was struck ahead of time would still begin: the voice goes once it has died away.
        setTimeout(() => synth.dispose(), 100);
      }
    },
  };
}

/** Makes the parts in the audio context that is current, all into one node. */
export function makeParts(tone: typeof ToneModule, into: ToneModule.InputNode): PartInstruments {
  const made = PARTS.map((part) => {
    const instrument = voices(tone, VOICES[part], into);
    instrument.volume.value = partLevel(part);
    return [part, instrument] as const;
  });
  return Object.fromEntries(made) as Record<Part, PartInstrument>;
}
