import { type Sound, soundRow } from "@/core/instrument";
import { listText } from "./names";

/** What is said beside the controls of sound. */

export const VOLUME_SAYS =
  "The volume starts low every time. Play the test tone before you put headphones on, and keep long sessions soft.";

export const RISING_SAYS = "Starts at the tempo you set and gets faster as you repeat.";

export const SOUND_FILES_SAY = "What Play plays, at these volumes, to practise with elsewhere.";

export const tempoReachedText = (tempo: number): string => `The tempo is ${tempo} already, so it won’t rise.`;

export const soundFileFailedText = (reason: string): string =>
  `The file couldn’t be made: ${reason}. Try a shorter one.`;

/** Where recordings could not be had. */
export const missingSoundsText = (sounds: readonly Sound[]): string =>
  `The recordings of ${listText(sounds.map((sound) => soundRow(sound).name))} can’t be loaded. A plain tone plays instead.`;
