import type { Sound } from "@/core/instrument";
import type { Part } from "./score";

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

/** Decibels: where sound begins, whatever was set before, and the loudest that can be set. */
export const SAFE_VOLUME = -18;
export const LOUDEST = -4;

/** How loud each part is beside the line where the user has set nothing, and where a part's own volume is silence. */
const BALANCE: Readonly<Record<Part, number>> = { line: 0, drone: 3, chord: -7, bass: -4, click: -5 };
export const PART_SILENT = -40;

/** The user's own volume for each part, in decibels above or below the balance. */
export type PartVolumes = Readonly<Partial<Record<Part, number>>>;

/** The level of a part with the user's own volume. */
export const partLevel = (part: Part, volume = 0): number =>
  volume <= PART_SILENT ? -Infinity : BALANCE[part] + volume;
