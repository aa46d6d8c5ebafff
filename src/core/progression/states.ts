import { type Fifths, modulo, soundOf } from "../pitch";
import { type Chart, type ChartChord, type Chord } from "../chord";
import {
  bestHome,
  type HomeMode,
  type Mode,
  size,
  type PitchClassSet,
  transpose,
  USUAL_MODES,
} from "../scale";
import {
  type Behaviour,
  behaviour,
  type ChordContext,
  chordContexts,
  contextKey,
  heardAs,
  isTwoChords,
} from "./home";
import { leadsTo } from "./cadence";
import { chartHomes } from "./chart-homes";
import { type HomeRow, rowFor } from "./home-rows";
import { soundingChords, type ReadableChart, type Sounding } from "./sounding";

/** What may be set by hand: the home, the scales to choose from, how many analyses of each kind. */
export interface AnalysisChoice {
  readonly home?: Fifths | undefined;
  readonly scales?: readonly Mode[] | undefined;
  readonly most?: number | undefined;
}

/** A mode on a sounding home, as the path finder goes through it. */
export interface State {
  /** Sounding home, 0 is C. */
  readonly home: number;
  readonly mode: Mode;
  /** Its sounding pitch classes, C as bit 0. */
  readonly sounds: PitchClassSet;
  /** Small cost of a scale that is seldom used. */
  readonly rarity: number;
}

/** Cost of taking up a mode, chosen by hand as the numbers of `home.ts` were: nothing for the four that most music is in, little for their neighbours, more for the rest. */
const RARITY: Readonly<Record<string, number>> = {
  ionian: 0,
  aeolian: 0.05,
  "harmonic-minor": 0.3,
  dorian: 0.35,
  mixolydian: 0.45,
  "melodic-minor": 0.55,
  phrygian: 0.7,
  "phrygian-dominant": 0.75,
  lydian: 0.8,
  "harmonic-major": 0.8,
  locrian: 0.9,
  "lydian-dominant": 1,
  altered: 1.1,
};

/** Of any other mode; for each note more or fewer than seven; and that among equals the first of a family is taken. */
const RARER = { others: 1.3, offSeven: 0.2, order: 0.001 };

/** Lydian shows itself in two chords or over a held note; a longer line with its chords is nearly always in the major of the fifth. */
const RARER_IN_LINES: Readonly<Record<string, number>> = { lydian: 0.8, "lydian-dominant": 0.4 };

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

/** Where a dominant seventh leads, which may be home though no chord of the chart stands on it; undefined for other chords. */
const goalOf = ({ root, tones }: Chord): Fifths | undefined =>
  tones.includes(-2) && (tones.includes(4) || tones.includes(-1)) && !tones.includes(-3)
    ? root - 1
    : undefined;

/** What is set for a chord: by a lock on its range, otherwise the home for the whole. */
export const lockAt = ({ lock }: ChartChord, { home }: AnalysisChoice) =>
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
export function statesOf(chart: Pick<Chart, "chords">, choice: AnalysisChoice): States {
  const scales = choice.scales ?? USUAL_MODES;
  const sounding = soundingChords(chart);
  const locks = sounding.flatMap(({ place }) => lockAt(place, choice) ?? []);
  const names = new Map<number, Fifths>();
  const put = (name: Fifths) => {
    if (!names.has(soundOf(name))) names.set(soundOf(name), name);
  };
  for (const { home } of locks) if (home !== undefined) put(home);
  const free = [
    ...sounding.flatMap(({ chord }) => [chord.root, ownHome(chord)]),
    ...sounding.flatMap(({ chord }) => goalOf(chord) ?? []),
  ];
  for (const name of free) put(name);
  const freeHomes = new Set(free.map(soundOf));
  const isVamp = isTwoChords(sounding.map(({ chord }) => heardAs(chord)));
  const modes = [...new Set([...scales, ...locks.flatMap(({ mode }) => mode ?? [])])];
  return {
    free: new Set(scales),
    freeHomes,
    states: [...names.keys()].flatMap((home) =>
      modes.map((mode) => ({
        home,
        mode,
        sounds: transpose(mode.sounds, home),
        rarity: rarityOf(mode) + (isVamp ? 0 : (RARER_IN_LINES[mode.id] ?? 0)),
      })),
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
  choice: AnalysisChoice,
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

/** What a chord costs in each state beside its notes outside, and what one of those notes costs there, both for its length. */
interface HomeCosts {
  readonly home: Float64Array;
  /** Of the triad, with the seventh of a dominant, and of what stands above it. */
  readonly outside: Float64Array;
  readonly outsideAbove: Float64Array;
}

/**
 * The one model of home, in the unit of the path: what each chord says of each place, and what the whole chart says of each state. A
 * place is a home with a row; states share it where their modes share their row.
 */
export interface HomeModel {
  readonly placeOf: Uint16Array;
  /** By place. */
  readonly chords: readonly HomeCosts[];
  /** By state. */
  readonly whole: Float64Array;
}

/** The rows of all states, and the place of each state: its row on its home. */
function placesOf(states: readonly State[]) {
  const rows = [...new Set(states.map(({ mode }) => rowFor(mode)))];
  const rowAt = new Map(rows.map((row, at) => [row, at]));
  return {
    rows,
    placeOf: Uint16Array.from(states, ({ mode, home }) => (rowAt.get(rowFor(mode)) ?? 0) * 12 + home),
  };
}

/** How chords behave in all rows, by row and by half steps above home. Where a chord comes again between the same neighbours it is known. */
function behaviours(rows: readonly HomeRow[]) {
  const known = new Map<string, readonly Behaviour[]>();
  return (here: ChordContext): readonly Behaviour[] => {
    const key = contextKey(here);
    const found =
      known.get(key) ??
      rows.flatMap((row) =>
        Array.from({ length: 12 }, (_, above) => behaviour(here, modulo(here.chord.root - above, 12), row)),
      );
    known.set(key, found);
    return found;
  };
}

/** How each chord behaves in each place, and what the whole chart says of each state's home. */
export function homeModel(
  sounding: readonly Sounding[],
  { states }: States,
  { bars: written, order }: ReadableChart,
): HomeModel {
  const begins = new Set(written.flatMap(({ from, section }, n) => (n === 0 || section ? [from] : [])));
  const numbers = new Map(sounding.map(({ at }, n) => [at, n]));
  const heard = sounding.map(({ chord }) => heardAs(chord));
  const played = order?.flatMap((at) => numbers.get(at) ?? []) ?? [...heard.keys()];
  const [first, last] = [heard[played[0] ?? 0], heard[played.at(-1) ?? 0]];
  // A dominant at the end that leads to the beginning goes round.
  const goesOn = first !== undefined && last?.kind === "7" && leadsTo(first.root, last);
  const turning = chordContexts(heard, goesOn ? [...played, ...played.slice(0, 2)] : played);
  const weights = chartHomes(sounding).map(({ weight }) => weight);
  const most = Math.max(...weights);
  const { rows, placeOf } = placesOf(states);
  const behaviourOf = behaviours(rows);
  let heldBars = 0;
  const chords = turning.map((here, at): HomeCosts => {
    const { bars } = sounding[at] ?? { bars: 0 };
    // A chord that stays is one event, the longer the weightier: as the square root of its length.
    if (here.chord !== turning[at - 1]?.chord) heldBars = 0;
    const weight = HOME.nat * (Math.sqrt(heldBars + bars) - Math.sqrt(heldBars));
    heldBars += bars;
    const isBeginning = begins.has(sounding[at]?.at ?? 0);
    const home = new Float64Array(rows.length * 12);
    const outside = new Float64Array(rows.length * 12);
    const outsideAbove = new Float64Array(rows.length * 12);
    for (const [n, { cost, known }] of behaviourOf(here).entries()) {
      const above = n % 12;
      const place = n - above + modulo(here.chord.root - above, 12);
      home[place] = weight * cost + (isBeginning && above !== 0 ? HOME.nat * HOME.begins : 0);
      outside[place] = bars * (known === "none" ? HOME.outside : known === "core" ? HOME.known : HOME.told);
      outsideAbove[place] = bars * (known === "all" ? HOME.told : HOME.outside);
    }
    return { home, outside, outsideAbove };
  });
  return {
    placeOf,
    chords,
    whole: Float64Array.from(states, ({ home }) => HOME.nat * (most - (weights[home] ?? 0))),
  };
}

/** What a nat of evidence counts; nats for a chart or a section that begins elsewhere than at home; a note outside for a bar: of a chord that goes where it leads, of one that is borrowed, of any other. */
const HOME = { nat: 0.4, begins: 1, told: 0.15, known: 0.3, outside: 1.5 };
