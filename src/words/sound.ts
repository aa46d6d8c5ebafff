import type { Sound } from "@/audio";
import { listText } from "./names";

/** What is said beside the controls of sound. */

export const VOLUME_SAYS =
  "The volume starts low every time. Play the test tone before you put headphones on, and keep long sessions soft.";

export const RISING_SAYS = "Starts at the tempo you set and gets faster as you repeat.";

export const SOUND_FILES_SAY = "What Play plays, at these volumes, to practise with elsewhere.";

export const tempoReachedText = (tempo: number): string => `The tempo is ${tempo} already, so it won’t rise.`;

export const soundFileFailedText = (reason: string): string =>
  `The file couldn’t be made: ${reason}. Try a shorter one.`;

export const SOUND_TEXT: Readonly<Record<Sound, string>> = {
  nylon: "nylon-string guitar",
  steel: "steel-string guitar",
  clean: "electric guitar",
  bass: "bass",
  ukulele: "ukulele",
  mandolin: "mandolin",
  fiddle: "fiddle",
  banjo: "banjo",
  piano: "piano",
  strings: "bowed strings",
  harmonium: "harmonium",
  click: "metronome",
};

/** Where recordings could not be had. */
export const missingSoundsText = (sounds: readonly Sound[]): string =>
  `The recordings of ${listText(sounds.map((sound) => SOUND_TEXT[sound]))} can’t be loaded. A plain tone plays instead.`;
