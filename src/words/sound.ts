import { type Sound, soundRow } from "@/core/instrument";
import type { Part } from "@/audio";
import type { Backing, GuitarSound, Settings } from "@/storage";
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

export const BACKING_TEXT: Readonly<Record<Backing, string>> = {
  strum: "strummed",
  arpeggio: "arpeggios",
  pad: "held",
  drone: "drone only",
};

export const GUITAR_SOUND_TEXT: Readonly<Record<GuitarSound, string>> = {
  steel: "steel strings",
  nylon: "nylon strings",
  clean: "electric",
};

/** Into how many parts the metronome divides a beat. */
export const CLICK_PARTS_TEXT = { 1: "beats only", 2: "in two", 3: "in three", 4: "in four" } as const;

export const CHORDS_ON_TEXT = {
  instrument: "this instrument",
  keyboard: "a keyboard",
  strings: "bowed strings",
} as const;

export const SILENT_CLICKS_TEXT: Readonly<Record<Settings["silentClicks"], string>> = {
  none: "none",
  "1 of 2": "every other bar",
  "1 of 4": "one bar in four",
  "2 of 4": "two bars in four",
  "4 of 8": "four bars in eight",
};

export const DRONE_NOTES_TEXT: Readonly<Record<Settings["droneNotes"], string>> = {
  root: "home",
  fifth: "home and fifth",
  octaves: "home and octave",
};

export const PART_TEXT: Readonly<Record<Part, string>> = {
  line: "Line",
  drone: "Drone",
  chord: "Chords",
  bass: "Bass",
  click: "Click",
};
