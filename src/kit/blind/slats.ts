import { type Fifths, type Interval, modulo, soundOf } from "@/core/pitch";
import { type Fit } from "@/core/progression";
import { type HomeMode, holds, shownColour, type SoundSet, soundSet, type Telling } from "@/core/scale";

/** One of the twelve slats of a blind, a half step each. */
export interface Slat {
  /** Half steps above home, 0 to 11. */
  readonly step: number;
  /** The note, where the slat is open. */
  readonly note: Fifths | undefined;
  readonly interval: Interval | undefined;
  readonly isHome: boolean;
  readonly isColour: boolean;
  /** Whether it is open in all of several modes that are held against each other. */
  readonly isShared: boolean;
}

/**
 * The slats of a mode on its home, home first.
 *
 * @example slatsOf({ home: 2, mode: dorian }).filter((slat) => slat.note !== undefined).length // 7
 */
export function slatsOf({ home, mode }: HomeMode, telling?: Telling, shared: SoundSet = 0): readonly Slat[] {
  const colour = shownColour(mode, telling);
  const bySound = new Map(mode.intervals.map((interval) => [soundOf(interval), interval]));
  return Array.from({ length: 12 }, (_, step) => {
    const interval = bySound.get(step);
    return {
      step,
      interval,
      note: interval === undefined ? undefined : home + interval,
      isHome: step === 0,
      isColour: interval !== undefined && colour.includes(interval),
      isShared: holds(shared, step),
    };
  });
}

/** The column of a slat when the row's home stands so many half steps right of the left edge, round the octave. */
export const columnOf = (step: number, homeColumn: number): number => modulo(step + homeColumn, 12);

/** What a slat is over a chord. */
export type ChordSlat = "shut" | "tone" | "colour" | "rub" | "free" | "outside";

/**
 * The twelve slats of a mode under a chord: chord tones, colour notes that the chord holds, rubs, free notes, and what lies
 * outside.
 */
export function chordSlats(fit: Fit, tones: readonly Fifths[]): readonly ChordSlat[] {
  const home = soundOf(fit.homeMode.home);
  const among = (notes: readonly Fifths[]) => soundSet(notes.map((note) => soundOf(note) - home));
  const kinds = [
    ["outside", among(fit.outside)],
    ["colour", among(fit.colour)],
    ["tone", among(tones)],
    ["rub", among(fit.rubs)],
    ["free", among(fit.free)],
  ] as const;
  return Array.from({ length: 12 }, (_, step) => kinds.find(([, set]) => holds(set, step))?.[0] ?? "shut");
}
