import { halfSteps, type Interval, modulo } from "../pitch";

/** A set of sounding pitch classes as a 12-bit integer; bit 0 is home (or C where a set of absolute notes is meant). */
export type SoundSet = number;

const ALL = 0xfff;

/** The set of the given half steps: [0, 4, 7] → 0b10010001. Any integers; octaves fold. */
export function soundSet(sounds: Iterable<number>): SoundSet {
  let set = 0;
  for (const sound of sounds) set |= 1 << modulo(sound, 12);
  return set;
}

/** The set that spelled intervals sound. */
export function soundsOf(intervals: readonly Interval[]): SoundSet {
  return soundSet(intervals.map(halfSteps));
}

/** Whether a half step is in the set. */
export const holds = (set: SoundSet, sound: number): boolean => ((set >> modulo(sound, 12)) & 1) === 1;

/** Whether every member of `part` is in `whole`. */
export const holdsAll = (whole: SoundSet, part: SoundSet): boolean => (part & ~whole) === 0;

/** The set moved up by half steps, round the octave: transpose({0, 4}, 10) → {10, 2}. */
export function transpose(set: SoundSet, by: number): SoundSet {
  const n = modulo(by, 12);
  return ((set << n) | (set >> (12 - n))) & ALL;
}

/** The members in rising order. */
export function members(set: SoundSet): readonly number[] {
  return Array.from({ length: 12 }, (_, sound) => sound).filter((sound) => holds(set, sound));
}

/** How many notes the set has. */
export function size(set: SoundSet): number {
  return members(set).length;
}
