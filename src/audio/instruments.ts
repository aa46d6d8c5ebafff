import type * as ToneModule from "tone";
import { sampled, type Strike, type Striker } from "./sampled";
import { type Part, PARTS } from "./score";
import type { Sound } from "@/core/instrument";
import { keyOn, loadedSound } from "./sounds";
import { synthesized } from "./synthesized";

/** Which instrument plays each part. */
export type PartSounds = Readonly<Record<Part, Sound>>;

/** Who plays where nothing else is chosen. */
export const USUAL_SOUNDS: PartSounds = {
  line: "steel",
  drone: "harmonium",
  chord: "piano",
  bass: "bass",
  click: "click",
};

/** One part, with its own volume in decibels. */
interface PartInstrument extends Striker {
  readonly volume: { value: number };
}
export type PartInstruments = Readonly<Record<Part, PartInstrument>>;

/** Decibels: where sound begins, whatever was set before, and the loudest that can be set. */
export const SAFE_VOLUME = -18;
export const LOUDEST = -4;

/** How loud each part is beside the line where the user has set nothing, and where a part's own volume is silence. */
const BALANCE: Readonly<Record<Part, number>> = { line: 0, drone: -10, chord: -7, bass: -4, click: -5 };
export const PART_SILENT = -40;

/** The user's own volume for each part, in decibels above or below the balance. */
export type PartVolumes = Readonly<Partial<Record<Part, number>>>;

/** The level of a part with the user's own volume. */
export const partLevel = (part: Part, volume = 0): number =>
  volume <= PART_SILENT ? -Infinity : BALANCE[part] + volume;

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
    const next = recordings ? sampled(tone, sound, recordings, out) : synthesized(tone, part, out);
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
