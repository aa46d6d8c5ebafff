import { fretAt, type Tuning } from "@/core/instrument";

/** Measures of the neck's drawing, in its own units. */
export const NECK = {
  width: 1256,
  nut: 68,
  right: 1240,
  top: 16,
  stringGap: 27.5,
  plate: { width: 31, height: 22 },
};

/** The x of a fret wire; 0 is the nut. True spacing: the shown part of the string fills the drawing. */
export function wireAt(fret: number, { frets }: Tuning): number {
  return NECK.nut + (fretAt(fret) / fretAt(frets)) * (NECK.right - NECK.nut);
}

/** The x at the middle of a plate: halfway between its fret and the one before; open strings left of the nut. */
export function plateAt(fret: number, tuning: Tuning): number {
  return fret === 0 ? NECK.nut - 22 : (wireAt(fret - 1, tuning) + wireAt(fret, tuning)) / 2;
}

/** The y of a string; string 1, the highest, is at the top. */
export const stringAt = (string: number): number => NECK.top + (string - 1) * NECK.stringGap;

/** Height of the drawing with the fret numbers below. */
export const neckHeight = ({ strings }: Tuning): number => stringAt(strings.length) + 34;

/** Frets whose numbers are set in bold: where necks are usually marked. */
export const isMarked = (fret: number): boolean => [3, 5, 7, 9, 12, 15].includes(fret);

/** The position nearest to a fret among those that there are: the first at or above it, otherwise the last. */
export function nearestStart(starts: readonly number[], fret: number): number {
  return starts.find((start) => start >= fret) ?? starts.at(-1) ?? 0;
}

/** The next position up or down from a fret; it stays at the ends. */
export function nextStart(starts: readonly number[], fret: number, way: 1 | -1): number {
  const at = starts.indexOf(nearestStart(starts, fret));
  return starts[Math.min(starts.length - 1, Math.max(0, at + way))] ?? 0;
}
