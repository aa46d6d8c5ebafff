import { type Interval, soundOf } from "../pitch";
import {
  colourNotes,
  compareRanks,
  type HomeMode,
  holdsAll,
  type NamedMode,
  soundsOf,
  thirdOf,
  usualComparison,
} from "../scale";
import { type Chord, chordSuffix, romanNumeral } from "./chord";

/** The chords on one degree of a mode. */
export interface DegreeChords {
  readonly degree: Interval;
  readonly triad: Chord;
  readonly seventh: Chord;
  /** Roman numeral of the triad and the seventh, with ASCII accidentals. */
  readonly roman: string;
}

/** Every other note from a degree, as intervals from that degree: the mode stacked in thirds. */
function stack(mode: NamedMode, at: number, count: number): readonly Interval[] {
  const { intervals } = mode;
  const root = intervals[at] ?? 0;
  return Array.from(
    { length: count },
    (_, third) => (intervals[(at + 2 * third) % intervals.length] ?? 0) - root,
  );
}

function chordOn({ home, mode }: HomeMode, at: number, count: number): Chord {
  return { root: home + (mode.intervals[at] ?? 0), tones: stack(mode, at, count), optional: [] };
}

/**
 * The triad and the seventh on each degree.
 *
 * @example diatonicChords({ home: 2, mode: dorian })[3] // G, G7, "IV"
 */
export function diatonicChords(homeMode: HomeMode): readonly DegreeChords[] {
  return homeMode.mode.intervals.map((degree, at) => {
    const triad = chordOn(homeMode, at, 3);
    return {
      degree,
      triad,
      seventh: chordOn(homeMode, at, 4),
      roman: romanNumeral(degree, triad.tones, "ascii"),
    };
  });
}

/** How wide a fifth of the stack is. */
export type FifthSize = "P5" | "d5" | "A5" | "dd5" | "AA5";

/** The mode stacked in thirds from home to the 13th. */
export interface FullChord {
  /** What follows the root: "m13", "maj13#11"; over a major third a plain 11th goes unsaid. */
  readonly tones: readonly Interval[];
  readonly named: readonly Interval[];
  /** The fifths along the stack: 1-5, 3-7, 5-9, 7-11, 9-13, 11-1. */
  readonly fifths: readonly FifthSize[];
}

/** The home chord in full, with its fifths measured. */
export function fullChord(mode: NamedMode): FullChord {
  const tones = stack(mode, 0, 7);
  const sizes: Record<number, FifthSize> = { 1: "P5", [-6]: "d5", 8: "A5", [-13]: "dd5", 15: "AA5" };
  const fifths = tones.slice(0, 6).map((tone, at) => sizes[(tones[(at + 2) % 7] ?? 0) - tone] ?? "P5");
  return { tones, named: tones.filter((tone) => tone !== -1 || !tones.includes(4)), fifths };
}

/** The symbol's suffix of the home chord in full. */
export const fullChordSuffix = (mode: NamedMode, form: "ascii" | "signs"): string =>
  chordSuffix(fullChord(mode).named, form);

/** Two chords that go back and forth, and the colour notes that they hold between them. */
export interface Vamp {
  readonly chords: readonly [Chord, Chord];
  /** Intervals of the roots from home. */
  readonly degrees: readonly [Interval, Interval];
}

const isPlain = (tones: readonly Interval[]) => tones.length === 3 && tones.includes(1);

/** Root motion by step or fourth, either way. */
const isNear = (interval: Interval) => [1, 2, 5, 7, 10, 11].includes(soundOf(interval));

/**
 * The two-chord vamps of a mode, best first: home triad (or seventh) with one other chord of the mode.
 *
 * Ranked by: the pair holds the colour notes and the third; how few modes of the usual comparison hold it on that
 * home; plain major and minor triads; root motion by step or fourth; a major third in the other chord; fewest notes.
 *
 * @example vamps({ home: 2, mode: dorian })[0] // Dm, G
 */
export function vamps(homeMode: HomeMode): readonly Vamp[] {
  const { mode } = homeMode;
  const colour = colourNotes(mode)[0] ?? [];
  const third = thirdOf(mode);
  const needed = soundsOf([0, ...colour, ...(third === undefined ? [] : [third])]);
  const comparison = usualComparison(mode);
  const [home, ...others] = diatonicChords(homeMode);
  if (!home) return [];
  const pairs = others.flatMap((other) =>
    [home.triad, home.seventh].flatMap((first) =>
      [other.triad, other.seventh].map((second): Vamp => ({
        chords: [first, second],
        degrees: [0, other.degree],
      })),
    ),
  );
  const cost = ({ chords: [first, second], degrees: [, degree] }: Vamp) => {
    const sounds = soundsOf([...first.tones, ...second.tones.map((tone) => tone + degree)]);
    return [
      holdsAll(sounds, needed) ? 0 : 1,
      comparison.filter((other) => holdsAll(other.sounds, sounds)).length,
      [first, second].filter(({ tones }) => !isPlain(tones)).length,
      isNear(degree) ? 0 : 1,
      second.tones.includes(4) ? 0 : 1,
      first.tones.length + second.tones.length,
    ];
  };
  const ranked = pairs.map((vamp) => ({ vamp, cost: cost(vamp) }));
  ranked.sort((a, b) => compareRanks(a.cost, b.cost));
  return ranked.map(({ vamp }) => vamp);
}
