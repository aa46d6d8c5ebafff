import { type Fifths, type Interval, modulo, soundOf } from "@/core/pitch";
import { type Fit } from "@/core/progression";
import { type HomeMode, holds, characteristicOf, type PitchClassSet, pitchClassSet } from "@/core/scale";

/** One of the twelve cells of a strip, a half step each. */
export interface Cell {
  /** Half steps above home, 0 to 11. */
  readonly step: number;
  /** The note, where the cell is open. */
  readonly note: Fifths | undefined;
  readonly interval: Interval | undefined;
  readonly isHome: boolean;
  readonly isCharacteristic: boolean;
  /** Whether it is open in all of several modes that are compared with each other. */
  readonly isShared: boolean;
}

/**
 * The cells of a mode on its home, home first.
 *
 * @example cellsOf({ home: 2, mode: dorian }).filter((cell) => cell.note !== undefined).length // 7
 */
export function cellsOf(
  { home, mode }: HomeMode,
  shared: PitchClassSet = 0,
  marked?: readonly Interval[],
): readonly Cell[] {
  const characteristic = marked ?? characteristicOf(mode);
  const bySound = new Map(mode.intervals.map((interval) => [soundOf(interval), interval]));
  return Array.from({ length: 12 }, (_, step) => {
    const interval = bySound.get(step);
    return {
      step,
      interval,
      note: interval === undefined ? undefined : home + interval,
      isHome: step === 0,
      isCharacteristic: interval !== undefined && characteristic.includes(interval),
      isShared: holds(shared, step),
    };
  });
}

/** The column of a cell when the row's home stands so many half steps right of the left edge, round the octave. */
export const columnOf = (step: number, homeColumn: number): number => modulo(step + homeColumn, 12);

/** What a cell is over a chord. */
export type ChordCell = "shut" | "tone" | "characteristic" | "avoid" | "other" | "outside";

/**
 * The twelve cells of a mode under a chord: chord tones, characteristic notes that the chord holds, avoid notes, other scale notes, and what lies
 * outside.
 */
export function chordCells(fit: Fit, tones: readonly Fifths[]): readonly ChordCell[] {
  const home = soundOf(fit.homeMode.home);
  const among = (notes: readonly Fifths[]) => pitchClassSet(notes.map((note) => soundOf(note) - home));
  const kinds = [
    ["outside", among(fit.outside)],
    ["characteristic", among(fit.characteristic)],
    ["tone", among(tones)],
    ["avoid", among(fit.avoidNotes)],
    ["other", among(fit.otherNotes)],
  ] as const;
  return Array.from({ length: 12 }, (_, step) => kinds.find(([, set]) => holds(set, step))?.[0] ?? "shut");
}
