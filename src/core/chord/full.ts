import type { Interval, NameForm } from "../pitch";
import { members, type Mode, characteristicOf, thirdOf } from "../scale";
import { chordSuffix } from "./symbol";
import { dominantHome } from "./dominant-home";
import { tonesFromSounds } from "./name";
import { stackOfThirds } from "./of-mode";

/** The mode stacked in thirds from home to the 13th. */
export interface FullChord {
  /** Every note of the mode, home first. */
  readonly tones: readonly Interval[];
  /** What the symbol is made of: "m13", "maj13#11"; over a major third a plain 11th goes unsaid. */
  readonly named: readonly Interval[];
  /**
   * The fifths along the stack, 1-5, 3-7, 5-9, 7-11, 9-13 and 11-1, in half steps off a perfect one: 0 perfect, -1
   * diminished, 1 augmented. None where the mode is not of seven notes and cannot be stacked.
   */
  readonly fifths: readonly number[];
}

/** The home chord in full, with its fifths measured. */
export function fullChord(mode: Mode): FullChord {
  if (mode.intervals.length !== 7) {
    const { tones } = tonesFromSounds(members(mode.sounds));
    return { tones, named: tones, fifths: [] };
  }
  const tones = stackOfThirds(mode, 0, 7);
  const fifths = tones.slice(0, 6).map((tone, at) => Math.round(((tones[(at + 2) % 7] ?? 0) - tone - 1) / 7));
  const named = dominantHome(mode) ?? tones.filter((tone) => tone !== -1 || !tones.includes(4));
  return { tones, named, fifths };
}

/** A fifth by its size: 0 → "P5", -1 → "d5", 2 → "AA5". */
export const printFifth = (off: number): string =>
  off === 0 ? "P5" : `${(off < 0 ? "d" : "A").repeat(Math.abs(off))}5`;

/** The symbol's suffix of the home chord in full. */
export const fullChordSuffix = (mode: Mode, form: NameForm): string =>
  chordSuffix(fullChord(mode).named, form);

/** Strings of a guitar: as many notes as one chord on it can have. */
const SIX_STRINGS = 6;

/**
 * The home chord in full, reduced to what can be held: home, third, seventh and up to three characteristic notes stay. First goes a flat
 * thirteenth over its perfect fifth, then the fifth, then a fourth over a major third, then what is left from the top.
 *
 * @example reducedChord(dorian) // 1 ♭3 ♭7 2 4 6: Dm13 without its fifth
 */
export function reducedChord(mode: Mode, most = SIX_STRINGS): readonly Interval[] {
  const dominant = dominantHome(mode);
  if (dominant) return dominant.slice(0, most);
  const { tones } = fullChord(mode);
  const characteristic = characteristicOf(mode);
  const seventh = stackedSeventh(mode);
  const stays = [0, thirdOf(mode), seventh, ...characteristic.slice(0, 3)];
  const spare = [
    ...(tones.includes(1) ? [-4] : []),
    1,
    ...(tones.includes(4) ? [-1] : []),
    ...tones.toReversed(),
  ].filter((tone, at, all) => tones.includes(tone) && !stays.includes(tone) && all.indexOf(tone) === at);
  const gone = new Set(spare.slice(0, Math.max(0, tones.length - most)));
  return tones.filter((tone) => !gone.has(tone));
}

const stackedSeventh = (mode: Mode): Interval | undefined =>
  mode.intervals.length === 7
    ? mode.intervals[6]
    : mode.intervals.find((interval) => [5, -2].includes(interval));
