import { type Interval, soundOf } from "../pitch";
import {
  compareRanks,
  comparisonOf,
  type HomeMode,
  holdsAll,
  type Mode,
  shownColour,
  soundsOf,
  thirdOf,
} from "../scale";
import type { Chord } from "./chord";
import { type DegreeChords, diatonicChords } from "./of-mode";

/** Two chords that go back and forth. */
export interface Vamp {
  readonly chords: readonly [Chord, Chord];
  /** Intervals of the roots from home. */
  readonly degrees: readonly [Interval, Interval];
}

const isPlain = (tones: readonly Interval[]) => tones.length === 3 && tones.includes(1);

/** Root motion by step or fourth, either way. */
const isNear = (interval: Interval) => [1, 2, 5, 7, 10, 11].includes(soundOf(interval));

/** Ranked once for each mode, on home 0; at most one entry for each of the 2048 sets. */
const ranked = new WeakMap<Mode, readonly Vamp[]>();

/**
 * The two-chord vamps of a mode, best first: home triad (or seventh) with one other chord of the mode.
 *
 * Ranked by: the pair holds the colour notes and the third; how few modes of the usual comparison hold it on that
 * home; plain major and minor triads; root motion by step or fourth; a major third in the other chord; fewest notes.
 *
 * @example vamps({ home: 2, mode: dorian })[0] // Dm, G
 */
export function vamps({ home, mode }: HomeMode): readonly Vamp[] {
  const known = ranked.get(mode) ?? rankVamps(mode);
  ranked.set(mode, known);
  const moved = (chord: Chord): Chord => ({ ...chord, root: chord.root + home });
  return known.map(({ chords: [first, second], degrees }) => ({
    chords: [moved(first), moved(second)],
    degrees,
  }));
}

const shortChords = ({ chords }: DegreeChords): readonly Chord[] =>
  [chords.triad, chords.seventh].filter((chord) => chord !== undefined);

function rankVamps(mode: Mode): readonly Vamp[] {
  const colour = shownColour(mode);
  const third = thirdOf(mode);
  const needed = soundsOf([0, ...colour, ...(third === undefined ? [] : [third])]);
  const others = comparisonOf(mode);
  const [home, ...rest] = diatonicChords({ home: 0, mode });
  if (!home) return [];
  const pairs = rest.flatMap((other) =>
    shortChords(home).flatMap((first) =>
      shortChords(other).map((second): Vamp => ({ chords: [first, second], degrees: [0, other.degree] })),
    ),
  );
  const cost = ({ chords: [first, second], degrees: [, degree] }: Vamp) => {
    const sounds = soundsOf([...first.tones, ...second.tones.map((tone) => tone + degree)]);
    return [
      holdsAll(sounds, needed) ? 0 : 1,
      others.filter((other) => holdsAll(other.sounds, sounds)).length,
      [first, second].filter(({ tones }) => !isPlain(tones)).length,
      isNear(degree) ? 0 : 1,
      second.tones.includes(4) ? 0 : 1,
      first.tones.length + second.tones.length,
    ];
  };
  return pairs
    .map((vamp) => ({ vamp, cost: cost(vamp) }))
    .sort((a, b) => compareRanks(a.cost, b.cost))
    .map(({ vamp }) => vamp);
}
