import { type Fifths, soundOf } from "../pitch";
import { type Chart, type ChartChord, type Chord, chordSounds } from "../chord";
import {
  bestHome,
  type HomeMode,
  holds,
  type Mode,
  size,
  type SoundSet,
  transpose,
  USUAL_MODES,
} from "../scale";
import { chartHomes } from "./home";

/** What may be set by hand: the home, the scales to choose from, how many readings of each kind. */
export interface ReadingChoice {
  readonly home?: Fifths | undefined;
  readonly scales?: readonly Mode[] | undefined;
  readonly most?: number | undefined;
}

/** A chord that sounds, with what the readings weigh it by. */
export interface Sounding {
  /** Its place in the chart. */
  readonly at: number;
  readonly chord: Chord;
  readonly sounds: SoundSet;
  /** Bars that it is heard for, repeats among them. */
  readonly bars: number;
  readonly place: ChartChord;
}

/** The chords of a chart that could be read and sound. */
export function soundingChords({ chords }: Pick<Chart, "chords">): readonly Sounding[] {
  return chords.flatMap((place, at) =>
    place.chord
      ? [
          {
            at,
            place,
            chord: place.chord,
            sounds: chordSounds(place.chord),
            bars: place.length * place.times,
          },
        ]
      : [],
  );
}

/** A mode on a sounding home, as the path finder goes through it. */
export interface State {
  /** Sounding home, 0 is C. */
  readonly home: number;
  readonly mode: Mode;
  /** Its sounding pitch classes, C as bit 0. */
  readonly sounds: SoundSet;
  /** Small cost of a scale that is seldom used. */
  readonly rarity: number;
}

/** Cost of taking up a mode: nothing for the four that most music is in, little for their neighbours, more for the rest. */
const RARITY: Readonly<Record<string, number>> = {
  ionian: 0,
  dorian: 0,
  mixolydian: 0,
  aeolian: 0,
  lydian: 0.08,
  phrygian: 0.08,
  locrian: 0.2,
  "harmonic-minor": 0.15,
  "melodic-minor": 0.15,
  "phrygian-dominant": 0.15,
  "lydian-dominant": 0.15,
  altered: 0.25,
  "harmonic-major": 0.3,
};

/** Of any other mode; for each note more or fewer than seven; and that among equals the first of a family is taken. */
const RARER = { others: 0.55, offSeven: 0.2, order: 0.001 };

/** How seldom a scale is used, as a cost. */
export function rarityOf({ id, sounds, degree }: Mode): number {
  const off = Math.abs(size(sounds) - 7) * RARER.offSeven;
  return (RARITY[id] ?? RARER.others) + off + degree * RARER.order;
}

/** Where a chord's own home is: its root, or a bass that is no tone of the chord. */
export function ownHome({ root, tones, bass }: Chord): Fifths {
  if (bass === undefined) return root;
  return tones.some((tone) => soundOf(root + tone) === soundOf(bass)) ? root : bass;
}

/** What is set for a chord: by a lock on its stretch, otherwise the home for the whole. */
export const lockAt = ({ lock }: ChartChord, { home }: ReadingChoice) =>
  lock ?? (home === undefined ? undefined : { home });

/** Everything that the path may go through, and how the homes are spelled. */
export interface States {
  readonly states: readonly State[];
  /** Scales that may be taken where nothing is set. */
  readonly free: ReadonlySet<Mode>;
  /** Homes that may be taken where nothing is set. */
  readonly freeHomes: ReadonlySet<number>;
  readonly homeMode: (state: State) => HomeMode;
}

/** The states of a chart: every scale on every home that the chart speaks for or that is set by hand. */
export function statesOf(chart: Pick<Chart, "chords">, choice: ReadingChoice): States {
  const scales = choice.scales ?? USUAL_MODES;
  const sounding = soundingChords(chart);
  const locks = sounding.flatMap(({ place }) => lockAt(place, choice) ?? []);
  const names = new Map<number, Fifths>();
  const put = (name: Fifths) => {
    if (!names.has(soundOf(name))) names.set(soundOf(name), name);
  };
  for (const { home } of locks) if (home !== undefined) put(home);
  for (const { chord } of sounding) for (const name of [chord.root, ownHome(chord)]) put(name);
  const freeHomes = new Set(sounding.flatMap(({ chord }) => [soundOf(chord.root), soundOf(ownHome(chord))]));
  const modes = [...new Set([...scales, ...locks.flatMap(({ mode }) => mode ?? [])])];
  return {
    free: new Set(scales),
    freeHomes,
    states: [...names.keys()].flatMap((home) =>
      modes.map((mode) => ({ home, mode, sounds: transpose(mode.sounds, home), rarity: rarityOf(mode) })),
    ),
    homeMode: ({ home, mode }) => ({ home: names.get(home) ?? bestHome(home, mode), mode }),
  };
}

/**
 * For each chord which states it may be read in, 1 or 0: what is set for it is kept to, otherwise the chosen scales on the
 * chart's homes. Chords for which the same is set share one list.
 */
export function allowedStates(
  sounding: readonly Sounding[],
  choice: ReadingChoice,
  { states, free, freeHomes }: States,
): readonly Uint8Array[] {
  const known = new Map<ChartChord["lock"], Uint8Array>();
  return sounding.map(({ place }) => {
    const before = known.get(place.lock);
    if (before) return before;
    const { home, mode } = lockAt(place, choice) ?? {};
    const found = Uint8Array.from(states, (state) => {
      const homeFits = home === undefined ? freeHomes.has(state.home) : soundOf(home) === state.home;
      return homeFits && (mode ? mode === state.mode : free.has(state.mode)) ? 1 : 0;
    });
    known.set(place.lock, found);
    return found;
  });
}

/** What a home costs over each chord, in the unit of the path: one by one 0 to 11. */
export function homeCosts(
  chart: Pick<Chart, "chords">,
  sounding: readonly Sounding[],
): readonly Float64Array[] {
  const weights = chartHomes(chart.chords).map(({ weight }) => Math.max(0, weight));
  const most = Math.max(...weights, 1e-9);
  return sounding.map(({ chord, bars }, at) => {
    const before = sounding[at - 1]?.chord;
    const isDominant = holds(chordSounds(chord), soundOf(chord.root) + 4) && chord.tones.includes(-2);
    const resolves =
      before !== undefined &&
      !isDominant &&
      before.tones.includes(4) &&
      soundOf(before.root) === soundOf(chord.root + 1);
    return Float64Array.from({ length: 12 }, (_, home) => {
      const isOwn = soundOf(ownHome(chord)) === home;
      const local = isOwn ? (isDominant ? HOME.dominant : 0) : HOME.elsewhere;
      const whole = HOME.whole * (1 - (weights[home] ?? 0) / most);
      return bars * (local + whole) - (isOwn && resolves ? HOME.cadence : 0);
    });
  });
}

/** For each bar: a chord on another root than home, one on home that wants to go on, a home that the whole chart speaks less for; and what an arrival is worth. */
const HOME = { elsewhere: 0.25, dominant: 0.13, whole: 0.1, cadence: 0.3 };
