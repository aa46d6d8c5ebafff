import { type Fifths, soundOf } from "../pitch";
import { type Family, familyOf, intervalAt, type Mode } from "./catalogue";
import { type PitchClassSet, transpose } from "./pitch-class-set";

/** A mode on a home: what the views pass round. */
export interface HomeMode {
  readonly home: Fifths;
  readonly mode: Mode;
}

/** Whose notes a mode has: the parent scale, its tonic and the degree that is home (from 1). */
export interface Parent {
  readonly family: Family;
  readonly tonic: Fifths;
  readonly degree: number;
}

/** The interval from the parent's tonic up to the degree that a mode starts on. */
function tonicToHome(mode: Mode): number {
  return familyOf(mode).modes[0]?.intervals[mode.degree - 1] ?? 0;
}

/**
 * Counting back: the parent whose notes these are.
 *
 * @example parentOf({ home: 5 (B), mode: phrygian }) // G major, third note
 */
export function parentOf({ home, mode }: HomeMode): Parent {
  return { family: familyOf(mode), tonic: home - tonicToHome(mode), degree: mode.degree };
}

/**
 * Counting up: the modes of a parent, each on its own home, in the order of the parent's degrees (relative).
 *
 * @example relatives(major, 0 (C))[1] // { home: 2 (D), mode: dorian }
 */
export function relatives(family: Family, tonic: Fifths): readonly HomeMode[] {
  return family.modes.map((mode) => ({ home: tonic + tonicToHome(mode), mode }));
}

/** The modes of a family on one home, brightest first (parallel). */
export function parallels(family: Family, home: Fifths): readonly HomeMode[] {
  return brightestFirst(family.modes).map((mode) => ({ home, mode }));
}

/**
 * The mean of the intervals on the line of fifths: Lydian 3, Ionian 2 … Locrian -3. Whole for every mode with one
 * letter a degree.
 */
export function brightness(intervals: readonly number[]): number {
  return intervals.reduce((sum, interval) => sum + interval, 0) / intervals.length;
}

/** Modes sorted from light to dark; equals keep their order. */
export function brightestFirst(modes: readonly Mode[]): readonly Mode[] {
  return [...modes].sort((a, b) => brightness(b.intervals) - brightness(a.intervals));
}

/** The notes of a mode on its home, in order, as names. */
export function notesOf({ home, mode }: HomeMode): readonly Fifths[] {
  return mode.intervals.map((interval) => home + interval);
}

/** The sounding pitch classes of a mode on its home, C as bit 0. */
export const soundsOn = ({ home, mode }: HomeMode): PitchClassSet => transpose(mode.sounds, soundOf(home));

/** Steps in half steps from each note to the next, back to home at the end: Dorian 2 1 2 2 2 1 2. */
export function stepsOf(sounds: readonly number[]): readonly number[] {
  return sounds.map((sound, at) => (sounds[at + 1] ?? 12) - sound);
}

/**
 * The third of a mode by letter: 4 where it has a major one, otherwise -3 where minor, undefined where there is none. Of two
 * thirds the major one counts, as in the major blues.
 */
export function thirdOf({ intervals }: Mode): number | undefined {
  return intervals.includes(4) ? 4 : intervalAt(intervals, 3);
}

/** Whether a mode has a minor third and no major one: Dorian, Aeolian, blues. */
export const isMinorMode = (mode: Mode): boolean => (thirdOf(mode) ?? 0) < 0;
