import { type Fifths, soundOf } from "../pitch";
import { type Chart, chordNotes } from "../chord";
import { compareRanks, type HomeMode, holds, notesOf, size, soundsOn } from "../scale";
import { chartHomes } from "./home";
import { bestPaths, type TurnCosts } from "./paths";
import {
  allowedStates,
  homeCosts,
  lockAt,
  ownHome,
  type ReadingChoice,
  type Sounding,
  soundingChords,
  type State,
  type States,
  statesOf,
} from "./states";

/** The three ways to read a chart. */
export const READING_KINDS = ["fewest-turns", "one-mode", "chord-by-chord"] as const;
export type ReadingKind = (typeof READING_KINDS)[number];

/** A note outside the mode, at the place in the chart of the chord that has it. */
export interface OutsideNote {
  readonly at: number;
  readonly note: Fifths;
}

/** A stretch of a chart in one mode: the chords `from` up to and with `to`. */
export interface Segment {
  readonly from: number;
  readonly to: number;
  readonly homeMode: HomeMode;
  readonly outside: readonly OutsideNote[];
}

/** A chart read from its first chord to its last. */
export interface ChartReading {
  readonly kind: ReadingKind;
  readonly segments: readonly Segment[];
  /** By which readings of a kind are ranked: bars of notes outside, and for the others what turns cost too. */
  readonly cost: number;
}

/** The readings of each kind, best first; empty where no chord could be read. */
export type Readings = Readonly<Record<ReadingKind, readonly ChartReading[]>>;

/** The segment that a chord stands in. */
export const segmentAt = ({ segments }: ChartReading, at: number): Segment | undefined =>
  segments.find(({ from, to }) => at >= from && at <= to);

/** All notes outside in a reading. */
export const outsideOf = ({ segments }: ChartReading): readonly OutsideNote[] =>
  segments.flatMap(({ outside }) => outside);

function chartwise(
  chart: Chartwise["chart"],
  choice: ReadingChoice,
  sounding: readonly Sounding[],
): Chartwise {
  const all = statesOf(chart, choice);
  const names = new Int8Array(all.states.length * 12).fill(UNNAMED);
  for (const [at, state] of all.states.entries())
    for (const note of notesOf(all.homeMode(state))) names[at * 12 + soundOf(note)] = note;
  return { chart, choice, sounding, all, names, allowed: allowedStates(sounding, choice, all) };
}

/** What a reading weighs. */
interface Weights {
  /** A note outside for a bar, and a note that the mode spells otherwise. */
  readonly outside: number;
  readonly misspelled: number;
  readonly turn: TurnCosts;
}

/**
 * A mode is left for one note that stays longer than a bar; a home that changes, and each further note, make a turn dearer.
 */
const FEWEST: Weights = { outside: 1.5, misspelled: 0.4, turn: { base: 0.6, note: 0.3, home: 0.25 } };

/** Every chord has its own home, so a turn costs the notes that change and nothing else; a mode should hold its chord. */
const OWN_HOMES: Weights = { outside: 4, misspelled: 0.2, turn: { base: 0, note: 0.3, home: 0 } };

/** A turn in the middle of a bar, and each note in which a chord's own mode differs from the reading with fewest turns. */
const SMALL = { midBar: 0.05, apart: 0.05 };

const MOST = 5;

/** Ways looked through for readings that differ in their modes and not only in where they turn. */
const MOST_WAYS = 60;

/**
 * The three readings of a chart, each with its best few: one mode for all of it, the fewest changes of mode, a mode for each
 * chord. What is set by hand for a stretch is kept to, and the rest adapts.
 *
 * Conventions: a mode is told apart by sound; scales come from the four usual families unless others are chosen; each home
 * is spelled as the chart spells it.
 *
 * @example readings(readChart("| Em9 | A13 | Cmaj7 |").value)["fewest-turns"][0] // E Dorian, E Aeolian from bar 3
 */
export function readings(chart: Pick<Chart, "chords" | "bars">, choice: ReadingChoice = {}): Readings {
  const sounding = soundingChords(chart);
  if (sounding.length === 0) return { "fewest-turns": [], "one-mode": [], "chord-by-chord": [] };
  const read = chartwise(chart, choice, sounding);
  const turns = fewestTurns(read);
  return { "fewest-turns": turns, "one-mode": oneMode(read), "chord-by-chord": chordByChord(read, turns) };
}

/** The readings of a chart by one mode alone, best first: what `readings` has under `one-mode`. */
export function oneModeReadings(
  chart: Pick<Chart, "chords" | "bars">,
  choice: ReadingChoice = {},
): readonly ChartReading[] {
  const sounding = soundingChords(chart);
  if (sounding.length === 0) return [];
  return oneMode(chartwise(chart, choice, sounding));
}

/** A chart with everything that its readings are found from. */
interface Chartwise {
  readonly chart: Pick<Chart, "chords" | "bars">;
  readonly choice: ReadingChoice;
  readonly sounding: readonly Sounding[];
  readonly all: States;
  /** For each chord the states that it may be read in. */
  readonly allowed: readonly Uint8Array[];
  /** For each state the twelve names that its notes have by sound. */
  readonly names: Int8Array;
}

/** No name that a mode on any home has. */
const UNNAMED = 127;

/** What each state costs for a bar of a chord; the same chord is reckoned once. */
function barCosts({ all, sounding, names }: Chartwise, weights: Weights): readonly Float64Array[] {
  const { states } = all;
  const known = new Map<string, Float64Array>();
  return sounding.map((each) => {
    const notes = chordNotes(each.chord);
    const key = notes.join(" ");
    const before = known.get(key);
    if (before) return before;
    const found = new Float64Array(states.length);
    for (const note of notes) {
      const sound = soundOf(note);
      for (let at = 0; at < found.length; at += 1) {
        const name = names[at * 12 + sound];
        const cost = name === UNNAMED ? weights.outside : name === note ? 0 : weights.misspelled;
        found[at] = (found[at] ?? 0) + cost;
      }
    }
    known.set(key, found);
    return found;
  });
}

const outsideCount = (state: State, { sounds }: Sounding) => size(sounds & ~state.sounds);

function fewestTurns(read: Chartwise): readonly ChartReading[] {
  const homes = homeCosts(read.chart, read.sounding);
  return distinct(read, "fewest-turns", FEWEST, (each, at) => {
    const home = homes[at];
    return (state, perBar) => each.bars * perBar + (home?.[state.home] ?? 0);
  });
}

/** Of several modes that hold a chord on its own home, the one nearest to the reading with fewest turns is taken. */
function chordByChord(read: Chartwise, [turns]: readonly ChartReading[]): readonly ChartReading[] {
  return distinct(read, "chord-by-chord", OWN_HOMES, (each) => {
    const home = soundOf(lockAt(each.place, read.choice)?.home ?? ownHome(each.chord));
    const around = turns && segmentAt(turns, each.at)?.homeMode;
    const sounds = around && soundsOn(around);
    return (state, perBar) => {
      if (home !== state.home) return Infinity;
      return perBar + (sounds === undefined ? 0 : SMALL.apart * size(sounds ^ state.sounds));
    };
  });
}

/** The best readings along a path that differ in their modes. */
function distinct(
  read: Chartwise,
  kind: ReadingKind,
  weights: Weights,
  costs: (each: Sounding, at: number) => (state: State, perBar: number) => number,
): readonly ChartReading[] {
  const { chart, choice, sounding, all, allowed } = read;
  const starts = new Set(chart.bars.map(({ from }) => from));
  const bars = barCosts(read, weights);
  const paths = bestPaths({
    states: all.states,
    stays: sounding.map((each, at) => {
      const cost = costs(each, at);
      const [may, perBar] = [allowed[at], bars[at]];
      const stay = new Float64Array(all.states.length);
      for (let n = 0; n < stay.length; n += 1) {
        const state = all.states[n];
        stay[n] = state && may?.[n] === 1 ? cost(state, perBar?.[n] ?? 0) : Infinity;
      }
      return stay;
    }),
    turn: weights.turn,
    turnsAt: sounding.map(({ at }) => (starts.has(at) ? 0 : SMALL.midBar)),
  });
  const found = new Map<string, ChartReading>();
  let ways = 0;
  for (const { cost, states } of paths) {
    const key = states.filter((state, at) => state !== states[at - 1]).join(" ");
    if (!found.has(key)) {
      const taken = states.map((at) => all.states[at]);
      found.set(key, { kind, segments: segmentsOf(read, taken), cost: rounded(cost) });
    }
    ways += 1;
    if (found.size >= (choice.most ?? MOST) || ways >= MOST_WAYS) break;
  }
  return [...found.values()];
}

/** Sums of decimal fractions without their tails. */
const rounded = (cost: number) => Math.round(cost * 1e6) / 1e6;

/** Chords in one state after another as a stretch; what does not sound goes with the chord before it. */
function segmentsOf(
  { sounding, all, chart }: Chartwise,
  states: readonly (State | undefined)[],
): readonly Segment[] {
  const count = chart.chords.length;
  const segments: { from: number; state: State; outside: OutsideNote[] }[] = [];
  for (const [n, each] of sounding.entries()) {
    const state = states[n];
    if (!state) continue;
    if (segments.at(-1)?.state !== state)
      segments.push({ from: segments.length === 0 ? 0 : each.at, state, outside: [] });
    segments.at(-1)?.outside.push(...outsideNotes(state, each));
  }
  return segments.map(({ from, state, outside }, n) => ({
    from,
    to: (segments[n + 1]?.from ?? count) - 1,
    homeMode: all.homeMode(state),
    outside,
  }));
}

const outsideNotes = ({ sounds }: State, { at, chord }: Sounding): readonly OutsideNote[] =>
  chordNotes(chord)
    .filter((note) => !holds(sounds, soundOf(note)))
    .map((note) => ({ at, note }));

/**
 * One mode for everything that is not set by hand, least outside first, weighed by length; then the home that the chart
 * speaks for; then the more usual scale; then the mode that spells its home's chords as they are spelled.
 */
function oneMode(read: Chartwise): readonly ChartReading[] {
  const { chart, choice, sounding, all, allowed } = read;
  const unlocked = sounding.map(({ place }) => place.lock === undefined);
  const hasFree = unlocked.includes(true);
  // Where everything is set by hand, all of it is read by one mode all the same.
  const isRead = (at: number) => !hasFree || unlocked[at] === true;
  const fixed = hasFree ? lockedStates(read) : new Map<number, State>();
  const homes = chartHomes(chart.chords);
  const folded = new Map<number, number>();
  for (const [at, { sounds, bars }] of sounding.entries())
    if (isRead(at)) folded.set(sounds, (folded.get(sounds) ?? 0) + bars);
  const masks = [...new Set(allowed.filter((_, at) => isRead(at)))];
  const candidates = all.states
    .filter((_, n) => masks.every((mask) => mask[n] === 1))
    .map((state) => {
      let cost = 0;
      for (const [sounds, bars] of folded) cost += bars * size(sounds & ~state.sounds);
      const weight = homes[state.home]?.weight ?? 0;
      return { state, cost, rank: [rounded(cost), -weight, Math.floor(state.rarity * 100)] };
    })
    .sort((a, b) => compareRanks(a.rank, b.rank));
  // Only near the head does it matter how the home's chords are spelled.
  return candidates
    .slice(0, HEAD)
    .map((each) => ({ ...each, rank: [...each.rank, missedAtHome(each.state, sounding)] }))
    .sort((a, b) => compareRanks(a.rank, b.rank))
    .slice(0, choice.most ?? MOST)
    .map(({ state, cost }) => ({
      kind: "one-mode",
      segments: segmentsOf(
        read,
        sounding.map(({ at }) => fixed.get(at) ?? state),
      ),
      cost: rounded(cost),
    }));
}

const HEAD = 60;

/** For each chord that something is set for the state that its stretch leaves least outside in. */
function lockedStates({ sounding, all, allowed }: Chartwise): ReadonlyMap<number, State> {
  const found = new Map<number, State>();
  for (const lock of new Set(sounding.flatMap(({ place }) => place.lock ?? []))) {
    const stretch = sounding.filter(({ place }) => place.lock === lock);
    const mask = allowed[sounding.findIndex(({ place }) => place.lock === lock)];
    const costOf = (state: State) =>
      stretch.reduce((sum, each) => sum + each.bars * outsideCount(state, each), state.rarity / 100);
    const [first, ...others] = all.states.filter((_, n) => mask?.[n] === 1);
    if (!first) continue;
    const best = others.reduce((least, state) => (costOf(state) < costOf(least) ? state : least), first);
    for (const { at } of stretch) found.set(at, best);
  }
  return found;
}

/** How many of the chords on home have a tone that the mode spells otherwise: among equals the fewest wins. */
function missedAtHome({ home, mode }: State, sounding: readonly Sounding[]): number {
  return sounding.filter(
    ({ chord }) => soundOf(chord.root) === home && chord.tones.some((tone) => !mode.intervals.includes(tone)),
  ).length;
}
