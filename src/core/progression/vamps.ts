import { type Interval, soundOf } from "../pitch";
import { type Chord, type ChordKind, diatonicChords, dominantHome } from "../chord";
import {
  compareRanks,
  comparisonOf,
  type HomeMode,
  holdsAll,
  type Mode,
  distinguishing,
  soundsOf,
  thirdOf,
  USUAL_MODES,
} from "../scale";
import { kindOf } from "./home-rows";
import { fewestChanges } from "./analyses";
import { rarityOf } from "./states";

/** Two chords that go back and forth. */
export interface Vamp {
  readonly chords: readonly [Chord, Chord];
  /** Intervals of the roots from home. */
  readonly degrees: readonly [Interval, Interval];
}

type Played = readonly [home: ChordKind, degree: Interval, other: ChordKind];

/** What players take first. */
const PLAYED: Readonly<Record<string, readonly Played[]>> = {
  ionian: [
    ["triad", -1, "triad"],
    ["triad", 1, "seventh"],
  ],
  dorian: [
    ["triad", -1, "triad"],
    ["seventh", -1, "seventh"],
  ],
  phrygian: [["triad", -5, "triad"]],
  lydian: [["triad", 2, "triad"]],
  mixolydian: [["triad", -2, "triad"]],
  aeolian: [
    ["triad", -4, "triad"],
    ["triad", -2, "triad"],
    ["triad", -1, "triad"],
  ],
  "harmonic-minor": [["triad", 1, "seventh"]],
  "harmonic-major": [
    ["triad", 1, "ninth"],
    ["seventh", 1, "ninth"],
  ],
  "melodic-minor": [
    ["seventh", -1, "seventh"],
    ["seventh", -1, "triad"],
  ],
  "phrygian-dominant": [["triad", -5, "triad"]],
  "lydian-dominant": [["seventh", 2, "triad"]],
};

/** More pairs than this nobody goes through. */
const MOST = 5;

/** The vamps of each mode on home 0 as far as they were asked for; at most one entry for each of the 2048 sets. */
const searches = new WeakMap<Mode, { readonly found: Vamp[]; readonly more: Iterator<Vamp> }>();

/**
 * The two-chord vamps of a mode, best first: its home chord and one other chord of the mode, so that the two, over and over, are heard
 * as this mode on this home. Each was put to the analyses of charts, in two bars and in four, and came back as itself; where no pair
 * does, the second chord stands over the home note.
 *
 * What players take comes first; then pairs that hold the characteristic notes and the third, plain triads, root motion by step or
 * fourth.
 *
 * @example vamps({ home: 2, mode: dorian })[0] // Dm, G
 */
export function vamps({ home, mode }: HomeMode, most = MOST): readonly Vamp[] {
  const search = searches.get(mode) ?? { found: [], more: returningVamps(mode) };
  searches.set(mode, search);
  while (search.found.length < Math.min(most, MOST)) {
    const next = search.more.next();
    if (next.done === true) break;
    search.found.push(next.value);
  }
  const moved = ({ root, bass, ...chord }: Chord): Chord => ({
    ...chord,
    root: root + home,
    ...(bass === undefined ? {} : { bass: bass + home }),
  });
  return search.found.slice(0, most).map(({ chords: [first, second], degrees }) => ({
    chords: [moved(first), moved(second)],
    degrees,
  }));
}

/** The first of them. */
export const bestVamp = (homeMode: HomeMode): Vamp | undefined => vamps(homeMode, 1)[0];

const isPlain = (tones: readonly Interval[]) => tones.length === 3 && tones.includes(1);

/** Root motion by step or fourth, either way. */
export const isNear = (interval: Interval) => [1, 2, 5, 7, 10, 11].includes(soundOf(interval));

/** Whether a chord on a degree wants to go elsewhere than home: a dominant seventh that is not home's own, or a diminished chord. */
export const leadsAway = (chord: Chord, degree: Interval): boolean => {
  const kind = kindOf(chord);
  return (kind === "7" && degree !== 1) || kind === "d" || kind === "o";
};

/** A pair that may be a vamp: by what it is ranked, and whether it leads away. */
interface Pair {
  readonly vamp: Vamp;
  readonly rank: readonly number[];
  readonly leads: boolean;
}

function* returningVamps(mode: Mode): Generator<Vamp, undefined, undefined> {
  const pairs = pairsOf(mode).sort((a, b) => compareRanks(a.rank, b.rank));
  const over = pairs.map((pair) => ({ ...pair, vamp: overHome(pair.vamp) }));
  for (const choice of [pairs, over]) {
    let isAny = false;
    for (const { vamp, leads } of choice) {
      // Those that lead away only where nothing else comes back.
      if (leads && isAny) return undefined;
      if (!comesBack(vamp.chords, mode)) continue;
      isAny = true;
      yield vamp;
    }
    if (isAny) return undefined;
  }
  return undefined;
}

const KINDS = ["triad", "seventh", "ninth"] as const;

/** Every pair that no more usual mode on the same home holds as well. */
function pairsOf(mode: Mode): Pair[] {
  const needed = soundsOf([0, ...(distinguishing(mode)[0] ?? []), ...[thirdOf(mode) ?? []].flat()]);
  const others = comparisonOf(mode);
  const usual = USUAL_MODES.filter((other) => other !== mode && rarityOf(other) < rarityOf(mode));
  const played = PLAYED[mode.id] ?? [];
  const [home, ...rest] = diatonicChords({ home: 0, mode });
  const owns = dominantHome(mode) ? (["seventh"] as const) : (["triad", "seventh"] as const);
  return rest.flatMap(({ degree, chords }) =>
    owns.flatMap((own) =>
      KINDS.flatMap((kind): readonly Pair[] => {
        const [first, second] = [home?.chords[own], chords[kind]];
        const place = played.findIndex(([a, at, b]) => a === own && at === degree && b === kind);
        if (!first || !second || (kind === "ninth" && place < 0)) return [];
        const sounds = soundsOf([...first.tones, ...second.tones.map((tone) => tone + degree)]);
        if (usual.some((other) => holdsAll(other.sounds, sounds))) return [];
        const isPlayed = place >= 0;
        const leads = !isPlayed && leadsAway(second, degree);
        const rank = [
          isPlayed ? place : played.length,
          leads ? 1 : 0,
          holdsAll(sounds, needed) ? 0 : 1,
          others.filter((other) => holdsAll(other.sounds, sounds)).length,
          [first, second].filter(({ tones }) => !isPlain(tones)).length,
          isNear(degree) ? 0 : 1,
          second.tones.includes(4) ? 0 : 1,
          first.tones.length + second.tones.length,
        ];
        return [{ vamp: { chords: [first, second], degrees: [0, degree] }, rank, leads }];
      }),
    ),
  );
}

const overHome = ({ chords: [first, second], degrees }: Vamp): Vamp => ({
  chords: [first, second.root === 0 ? second : { ...second, bass: 0 }],
  degrees,
});

/** Whether a pair, a bar each, once and twice, is read as the mode on its home. */
function comesBack(pair: readonly Chord[], mode: Mode): boolean {
  const scales = USUAL_MODES.includes(mode) ? USUAL_MODES : [...USUAL_MODES, mode];
  return [pair, [...pair, ...pair]].every((chords) => {
    const chart = {
      chords: chords.map((chord, at) => ({ bar: at + 1, length: 1, times: 1, symbol: "", offset: 0, chord })),
      bars: chords.map((_, at) => ({ from: at })),
    };
    const [only, ...more] = fewestChanges(chart, { scales })?.segments ?? [];
    return more.length === 0 && only?.homeMode.mode === mode && soundOf(only.homeMode.home) === 0;
  });
}
