import { type Fifths, type Interval, midiOf, soundOf, spellSound } from "../pitch";
import { chordNames } from "../chord";
import type { Tuning } from "./tuning";

/** Frets from the lowest string to the highest; null where a string is not played. */
export type Fingering = readonly (number | null)[];

/** A fingering as a chord shape: its quality from its own root, and what it is called where it lies. */
export interface FingeredShape {
  readonly frets: Fingering;
  readonly root: Fifths;
  readonly tones: readonly Interval[];
}

/** The highest fret that is taken for one. */
const MAX_FRET = 24;

/**
 * Reads a fingering, a fret for each string from the lowest: "x 7 5 7 7 x", or without spaces where every fret is one
 * figure. Undefined where it is none or plays fewer than two strings.
 *
 * @example readFingering("x32010", 6) // [null, 3, 2, 0, 1, 0]
 */
export function readFingering(text: string, strings: number): Fingering | undefined {
  const written = text.trim();
  const parts = /[\s,-]/u.test(written) ? written.split(/[\s,-]+/u) : [...written];
  if (parts.length !== strings) return undefined;
  const frets = parts.map((part) =>
    /^[xX]$/u.test(part) ? null : /^\d{1,2}$/u.test(part) ? Number(part) : NaN,
  );
  const isPlayed = (fret: number | null): fret is number => fret !== null;
  if (frets.some((fret) => Number.isNaN(fret)) || frets.filter(isPlayed).some((fret) => fret > MAX_FRET))
    return undefined;
  return frets.filter(isPlayed).length < 2 ? undefined : frets;
}

/**
 * The chord that a fingering makes: its best name over its lowest note gives the root.
 *
 * @example shapeOf(GUITAR, [null, 3, 2, 0, 1, 0]) // C: 1 3 5
 */
export function shapeOf(tuning: Tuning, frets: Fingering): FingeredShape {
  const sounds = frets.flatMap((fret, string) => {
    const open = tuning.strings[string];
    return fret === null || !open ? [] : [(midiOf(open) + fret) % 12];
  });
  const notes = [...new Set(sounds)].map((sound) => spellSound(sound));
  const [best] = chordNames(notes);
  return { frets, root: best?.root ?? notes[0] ?? 0, tones: best?.tones ?? [0] };
}

/**
 * The same fingering with its root on another note: as low on the neck as all its frets allow.
 *
 * @example movedTo({ frets: [null, 3, 2, 0, 1, 0], root: C, … }, D) // [null, 5, 4, 2, 3, 2]
 */
export function movedTo({ frets, root }: FingeredShape, target: Fifths): Fingering {
  const played = frets.filter((fret) => fret !== null);
  const up = (soundOf(target) - soundOf(root) + 12) % 12;
  const by = Math.min(...played) + up - 12 >= 0 ? up - 12 : up;
  return frets.map((fret) => (fret === null ? null : fret + by));
}

/** "x 7 5 7 7 x". */
export const printFingering = (frets: Fingering): string => frets.map((fret) => fret ?? "x").join(" ");
