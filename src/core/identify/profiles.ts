import { halfSteps, type Interval } from "../pitch";
import {
  FAMILIES,
  holds,
  intervalAt,
  maybeMode,
  type Mode,
  modesOfFamilies,
  reference,
  SEVEN,
} from "../scale";
import { STATISTICS, type TuneStatistics } from "./statistics";

/** What a mode leads one to expect: natural logarithms of shares, by half steps above home. */
export interface Profile {
  readonly mode: Mode;
  /** Logarithm of the mode's prior. */
  readonly prior: number;
  readonly rows: Readonly<Record<Row, readonly number[]>>;
}

const COUNTED_ROWS = ["sounding", "downbeat", "sectionEnd", "last", "firstDownbeat", "lowest"] as const;
type CountedRow = (typeof COUNTED_ROWS)[number];
export type Row = CountedRow | "opening" | "runOn";

/** Added to every share before the logarithm, so that one stray note never rules a mode out. */
const FLOOR: Readonly<Record<CountedRow, number>> = {
  sounding: 0.004,
  downbeat: 0.01,
  sectionEnd: 0.02,
  last: 0.02,
  firstDownbeat: 0.02,
  lowest: 0.03,
};

/** A mode counted on as many tunes as this is trusted half, its swapped neighbour the other half. */
const HALF_TRUST = 30;

/**
 * Tunes counted say how common a mode is in two old collections; players bring odder ones, so the counts are drawn
 * together by this power, and each mode has a few tunes more than were counted.
 */
const PRIOR_POWER = 0.35;
const UNCOUNTED = 15;
/** The other families are rarer than any of the seven by this logarithm. */
const RARE_FAMILY = -5;
/** Families whose modes have one letter a degree: the first of the catalogue. */
const SEVEN_NOTE_FAMILIES = FAMILIES.filter(({ modes: [first] }) => first?.intervals.length === 7).map(
  ({ id }) => id,
);

type Shares = Readonly<Record<CountedRow, readonly number[]>>;

/** The shares of one mode with some degrees moved: what a mode with few or no counted tunes is built from. */
function swapped(
  shares: Shares,
  changes: readonly { readonly from: Interval; readonly to: Interval }[],
): Shares {
  const swap = (row: readonly number[]) => {
    const moved = [...row];
    for (const { from, to } of changes) {
      moved[halfSteps(from)] = row[halfSteps(to)] ?? 0;
      moved[halfSteps(to)] = row[halfSteps(from)] ?? 0;
    }
    return moved;
  };
  return mapRows((row) => swap(shares[row]));
}

function mapRows(each: (row: CountedRow) => readonly number[]): Shares {
  return Object.fromEntries(COUNTED_ROWS.map((row) => [row, each(row)])) as Record<
    CountedRow,
    readonly number[]
  >;
}

const counted = (id: string): TuneStatistics | undefined =>
  (STATISTICS as Readonly<Record<string, TuneStatistics>>)[id];

/** Built in this order, each from one before it: the neighbour that shares most and is counted best. */
const BUILT_FROM: Readonly<Record<string, string>> = {
  lydian: "ionian",
  mixolydian: "ionian",
  dorian: "aeolian",
  phrygian: "aeolian",
  locrian: "phrygian",
};

const sharesOf = new Map<string, Shares>();

function shares(mode: Mode): Shares {
  const known = sharesOf.get(mode.id);
  if (known) return known;
  const own = counted(mode.id);
  const source = maybeMode(BUILT_FROM[mode.id] ?? "");
  const built = source ? swapped(shares(source), changesFrom(source, mode)) : undefined;
  const trust = own ? own.tunes / (own.tunes + HALF_TRUST) : 0;
  const made =
    own && built ? mapRows((row) => mix(own[row], built[row], trust)) : (own ?? built ?? nearestShares(mode));
  sharesOf.set(mode.id, made);
  return made;
}

const mix = (a: readonly number[], b: readonly number[], trust: number) =>
  a.map((share, at) => trust * share + (1 - trust) * (b[at] ?? 0));

const changesFrom = (source: Mode, mode: Mode) =>
  mode.intervals
    .map((to, at) => ({ from: source.intervals[at] ?? to, to }))
    .filter(({ from, to }) => from !== to);

/** Modes of other families: the nearest of the seven with its changed degrees moved. */
function nearestShares(mode: Mode): Shares {
  const { mode: nearest, moved } = reference(mode, "nearest");
  return swapped(shares(nearest), moved);
}

function priorOf(mode: Mode): number {
  const weight = (each: Mode) => ((counted(each.id)?.tunes ?? 0) + UNCOUNTED) ** PRIOR_POWER;
  const all = SEVEN.reduce((sum, each) => sum + weight(each), 0);
  return Math.log(weight(mode) / all) + (mode.family === "major" ? 0 : RARE_FAMILY);
}

/** Shares of the first bar: the notes of the home chord, and the mode's own notes beside them. */
const [OPENING_FLOOR, RUN_ON_FLOOR] = [0.015, 0.04];
const OPENING = { home: 0.34, third: 0.2, fifth: 0.24, own: 0.04 };

function openingShares({ sounds, intervals }: Mode): readonly number[] {
  const tone = (number: number) => halfSteps(intervalAt(intervals, number) ?? 0);
  return Array.from({ length: 12 }, (_, step) => {
    if (step === 0) return OPENING.home;
    if (step === tone(3)) return OPENING.third;
    if (step === tone(5)) return OPENING.fifth;
    return holds(sounds, step) ? OPENING.own : 0;
  });
}

/** Logarithms of shares, each raised by a floor. */
const logs = (shares: readonly number[], floor: number): readonly number[] => {
  const sum = shares.reduce((a, b) => a + b, 0) + 12 * floor;
  return shares.map((share) => Math.log((share + floor) / sum));
};

/** The profile of every mode that tunes are told by. Deterministic; reckoned once. */
export const PROFILES: readonly Profile[] = modesOfFamilies(SEVEN_NOTE_FAMILIES).map((mode) => {
  const own = shares(mode);
  const rows = {
    ...mapRows((row) => logs(own[row], FLOOR[row])),
    opening: logs(openingShares(mode), OPENING_FLOOR),
    // Where an ending runs on, its note is one of those that stand on a beat.
    runOn: logs(own.downbeat, RUN_ON_FLOOR),
  };
  return Object.freeze({ mode, prior: priorOf(mode), rows });
});
