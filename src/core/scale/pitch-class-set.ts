import { halfSteps, type Interval, modulo } from "../pitch";

/** A set of sounding pitch classes as a 12-bit integer; bit 0 is home (or C where a set of absolute notes is meant). */
export type PitchClassSet = number;

const ALL = 0xfff;

/** The set of the given half steps: [0, 4, 7] → 0b10010001. Any integers; octaves fold. */
export function pitchClassSet(sounds: Iterable<number>): PitchClassSet {
  let set = 0;
  for (const sound of sounds) set |= 1 << modulo(sound, 12);
  return set;
}

/** The set that spelled intervals sound. */
export function soundsOf(intervals: readonly Interval[]): PitchClassSet {
  return pitchClassSet(intervals.map(halfSteps));
}

/** Whether a half step is in the set. */
export const holds = (set: PitchClassSet, sound: number): boolean => ((set >> modulo(sound, 12)) & 1) === 1;

/** The set with one half step put in where it was not, or taken out where it was. */
export const flipped = (set: PitchClassSet, sound: number): PitchClassSet => set ^ (1 << modulo(sound, 12));

/** Whether every member of `part` is in `whole`. */
export const holdsAll = (whole: PitchClassSet, part: PitchClassSet): boolean => (part & ~whole) === 0;

/** The set moved up by half steps, round the octave: transpose({0, 4}, 10) → {10, 2}. */
export function transpose(set: PitchClassSet, by: number): PitchClassSet {
  const n = modulo(by, 12);
  return ((set << n) | (set >> (12 - n))) & ALL;
}

/** The members in rising order. */
export function members(set: PitchClassSet): readonly number[] {
  return Array.from({ length: 12 }, (_, sound) => sound).filter((sound) => holds(set, sound));
}

function counted(bits: number): number {
  let count = 0;
  for (let rest = bits; rest !== 0; rest &= rest - 1) count += 1;
  return count;
}

/** For each of the 4096 sets how many notes it has. */
const SIZES = Uint8Array.from({ length: ALL + 1 }, (_, set) => counted(set));

/** How many notes the set has; of wider sets of bits how many are set. */
export const size = (set: PitchClassSet): number => SIZES[set] ?? counted(set);

/** Half steps after which the set is itself again: 12 for most, 2 for the whole-tone scale. */
export function period(set: PitchClassSet): number {
  const found = [1, 2, 3, 4, 6].find((by) => transpose(set, by) === set);
  return found ?? 12;
}

/** The set from each of its notes in turn, home first; a set that repeats within the octave has fewer rotations than notes. */
export function rotations(set: PitchClassSet): readonly PitchClassSet[] {
  return [...new Set(members(set).map((from) => transpose(set, -from)))];
}
