import type * as ToneModule from "tone";
import { sampled, type Strike, type Striker } from "./sampled";
import { type Part, PARTS } from "./score";
import type { Sound } from "@/core/instrument";
import { partLevel } from "./levels";
import { keyOn, loadedSound } from "./sounds";
import { synthesized } from "./synthesized";

/** One part, with its own volume in decibels. */
interface PartInstrument extends Striker {
  readonly volume: { value: number };
}
export type PartInstruments = Readonly<Record<Part, PartInstrument>>;

/**
 * Makes the parts in the audio context that is current, all into one node: each by its instrument's recordings where these are loaded, by
 * its stand-in until then.
 */
export function makeParts(
  tone: typeof ToneModule,
  into: ToneModule.InputNode,
  soundOf: (part: Part) => Sound,
): PartInstruments {
  const made = PARTS.map((part) => [part, partOf(tone, part, into, soundOf)] as const);
  return Object.fromEntries(made) as Record<Part, PartInstrument>;
}

function partOf(
  tone: typeof ToneModule,
  part: Part,
  into: ToneModule.InputNode,
  soundOf: (part: Part) => Sound,
): PartInstrument {
  const out = new tone.Volume(partLevel(part)).connect(into);
  const strikers = new Map<Sound | "stand-in", Striker>();
  const striker = (): Striker => {
    const sound = soundOf(part);
    const recordings = loadedSound(sound);
    const name = recordings ? sound : "stand-in";
    const known = strikers.get(name);
    if (known) return known;
    const next = recordings
      ? sampled(tone, sound, recordings, out, part === "drone")
      : synthesized(tone, part, out);
    strikers.set(name, next);
    return next;
  };
  return {
    volume: out.volume,
    strike: (strike: Strike) => {
      const sound = soundOf(part);
      const midi = part === "click" ? strike.midi : keyOn(sound, strike.midi);
      striker().strike({ ...strike, midi });
    },
    release: (now, after) => {
      for (const each of strikers.values()) each.release(now, after);
    },
  };
}
