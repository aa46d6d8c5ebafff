import { type Fifths, modulo, soundOf } from "../pitch";
import { type Chord, chordNotes, dominantHome } from "../chord";
import { characteristicOf, type HomeMode, holds, isMinorMode, notesOf, SEVEN, size } from "../scale";
import { bestPaths, type ChangeCosts } from "./paths";
import { allowedStates, homeModel, type AnalysisChoice, type State, type States, statesOf } from "./states";
import type { AnalysisKind } from "./analysis-kind";
import { isFiveOf } from "./cadence";
import { goesBack, heardAs } from "./home";
import { allSounds, isWithoutThirds, plainMode } from "./plain-mode";
import type { KeyArea } from "./key-areas";
import { beside, soundingChords } from "./sounding";
import { type Sounding } from "./sounding";
import { type ReadableChart } from "./sounding";

/** A note outside the mode, at the place in the chart of the chord that has it. */
export interface OutsideNote {
  readonly at: number;
  readonly note: Fifths;
}

/** A range of a chart in one mode: the chords `from` up to and with `to`. */
export interface Segment {
  readonly from: number;
  readonly to: number;
  readonly homeMode: HomeMode;
  readonly outside: readonly OutsideNote[];
}

/** A chart read from its first chord to its last. */
export interface ChartAnalysis {
  readonly kind: AnalysisKind;
  readonly segments: readonly Segment[];
  /** By which analyses of a kind are ranked: bars of notes outside, and for the others what changes cost too. */
  readonly cost: number;
}

/** The segment that a chord stands in. */
export const segmentAt = ({ segments }: ChartAnalysis, at: number): Segment | undefined =>
  segments.find(({ from, to }) => at >= from && at <= to);

/** All notes outside in an analysis. */
export const outsideOf = ({ segments }: ChartAnalysis): readonly OutsideNote[] =>
  segments.flatMap(({ outside }) => outside);

export function chartwise(
  chart: Chartwise["chart"],
  choice: AnalysisChoice,
  sounding: readonly Sounding[],
): Chartwise {
  const all = statesOf(chart, choice);
  const names = new Int8Array(all.states.length * 12).fill(UNNAMED);
  for (const [at, state] of all.states.entries())
    for (const note of notesOf(all.homeMode(state))) names[at * 12 + soundOf(note)] = note;
  return { chart, choice, sounding, all, names, allowed: allowedStates(sounding, choice, all) };
}

/** A home that changes, and each further note, make a change dearer. */
const FEWEST: ChangeCosts = { base: 0.8, note: 0.3, home: 0.9 };

/** A change in the middle of a bar: only among equals. */
const MID_BAR = 0.001;

const MOST = 5;

/** Ways looked through for analyses that differ in their modes and not only in where they change. */
const MAX_WAYS = 60;

/** The analyses of a chart by one mode alone, best first: what `analyses` has under `one-mode`. */
export function oneModeAnalyses(chart: ReadableChart, choice: AnalysisChoice = {}): readonly ChartAnalysis[] {
  const sounding = beside(soundingChords(chart));
  if (sounding.length === 0) return [];
  const read = chartwise(chart, choice, sounding);
  return oneMode(read, staysOf(read));
}

/**
 * The analysis with the fewest changes alone; undefined where no chord could be read. Where it is one segment, that is the best one
 * mode as well: both weigh the same.
 *
 * @example fewestChanges(readChart("| Dm | G |").value)?.segments[0]?.homeMode // D Dorian
 */
export function fewestChanges(chart: ReadableChart, choice: AnalysisChoice = {}): ChartAnalysis | undefined {
  const sounding = beside(soundingChords(chart));
  if (sounding.length === 0) return undefined;
  const read = chartwise(chart, { ...choice, most: 1 }, sounding);
  return fewestOf(read, staysOf(read))[0];
}

/** A chart with everything that its analyses are found from. */
export interface Chartwise {
  readonly chart: ReadableChart;
  readonly choice: AnalysisChoice;
  readonly sounding: readonly Sounding[];
  readonly all: States;
  /** For each chord the states that it may be read in. */
  readonly allowed: readonly Uint8Array[];
  /** For each state the twelve names that its notes have by sound. */
  readonly names: Int8Array;
}

/** No name that a mode on any home has. */
const UNNAMED = 127;

/** For each state: how many notes of a chord lie outside it, in the triad and above it, and how many it spells differently. */
interface Notes {
  readonly outside: Uint8Array;
  readonly outsideAbove: Uint8Array;
  readonly misspelled: Uint8Array;
}

/** The notes of each chord against every state; the same chord is looked at once. */
export function notesAgainst({ all, sounding, names }: Chartwise): readonly Notes[] {
  const { states } = all;
  const known = new Map<string, Notes>();
  return sounding.map((each) => {
    const notes = chordNotes(each.chord);
    const key = notes.join(" ");
    const before = known.get(key);
    if (before) return before;
    const found = {
      outside: new Uint8Array(states.length),
      outsideAbove: new Uint8Array(states.length),
      misspelled: new Uint8Array(states.length),
    };
    for (const note of notes) {
      const sound = soundOf(note);
      const lacking = isAbove(each.chord, note) ? found.outsideAbove : found.outside;
      for (let at = 0; at < states.length; at += 1) {
        const name = names[at * 12 + sound];
        const list = name === UNNAMED ? lacking : found.misspelled;
        if (name !== note) list[at] = (list[at] ?? 0) + 1;
      }
    }
    known.set(key, found);
    return found;
  });
}

/** Whether a note stands above the triad of its chord, the seventh of a dominant apart. */
function isAbove({ root, tones }: Chord, note: Fifths): boolean {
  const tone = note - root;
  const isCore = [0, 4, -3, 1, -6, 8, -9].includes(tone) || (tone === -2 && tones.includes(4));
  return !isCore && tones.includes(tone);
}

const outsideCount = (state: State, { sounds }: Sounding) => size(sounds & ~state.sounds);

/** What each chord costs in each state, wherever it comes from and goes to, and what the whole chart adds to a state. */
interface Stays {
  readonly chords: readonly Float64Array[];
  readonly whole: Float64Array;
}

export function staysOf(read: Chartwise): Stays {
  const notes = notesAgainst(read);
  const { placeOf, chords, whole } = homeModel(read.sounding, read.all, read.chart);
  return {
    whole: withUsualModes(read, whole),
    chords: chords.map(({ home, outside, outsideAbove }, at) => {
      const against = notes[at];
      const misspelled = (read.sounding[at]?.bars ?? 0) * MISSPELLED;
      const costs = new Float64Array(placeOf.length);
      for (const [n, place] of placeOf.entries())
        costs[n] =
          (home[place] ?? 0) +
          (outside[place] ?? 0) * (against?.outside[n] ?? 0) +
          (outsideAbove[place] ?? 0) * (against?.outsideAbove[n] ?? 0) +
          misspelled * (against?.misspelled[n] ?? 0);
      return costs;
    }),
  };
}

/** What another mode than the plainest costs where no chord has a third, so that nothing speaks for it. */
const NOT_PLAIN = 1.5;

/** What a mode that isn't one of the seven costs where the chart lacks a note that makes it what it is. */
const UNHEARD = 1.6;

/** What a minor mode with ♭2 costs where its home is arrived at by a major dominant: that is minor, and ♭II its Neapolitan. */
const CADENCED = 1.6;

/** What all chords together say of a mode, beside what they say of the home. */
function withUsualModes({ sounding, all }: Chartwise, whole: Float64Array): Float64Array {
  const heard = allSounds(sounding);
  const line = sounding.map(({ chord }) => heardAs(chord));
  const cadenced = new Set(
    line.flatMap(({ root, kind }, at) => (kind === "m" && isFiveOf(root, line[at - 1]) ? [root] : [])),
  );
  const plain = isWithoutThirds(sounding)
    ? Array.from({ length: 12 }, (_, home) => plainMode(home, heard)?.sounds)
    : [];
  return whole.map((cost, n) => {
    const state = all.states[n];
    if (!state) return cost;
    const { home, mode } = state;
    const onHome = plain[home];
    const isHeard = characteristicOf(mode).every((note) => holds(heard, modulo(home + soundOf(note), 12)));
    return (
      cost +
      (onHome === undefined || mode.sounds === onHome ? 0 : NOT_PLAIN) +
      (cadenced.has(home) && isMinorMode(mode) && !holds(mode.sounds, 2) ? CADENCED : 0) +
      (isHeard || SEVEN.includes(mode) || dominantHome(mode) ? 0 : UNHEARD)
    );
  });
}

/** A note for a bar that the mode spells otherwise: E♯ in a chord where the mode has F. */
export const MISSPELLED = 0.2;

/** A home that the keys deny: dearer than whatever else a chord can cost, and still taken where it is set by hand. */
const DENIED = 50;

/**
 * What the whole chart says of a home is shared out over the chords by their lengths.
 *
 * @param areas where the key changes: each chord stands in its key, so that no headline names a home that the keys deny
 */
export function fewestOf(
  read: Chartwise,
  { chords, whole }: Stays,
  areas: readonly KeyArea[] = [],
): readonly ChartAnalysis[] {
  const length = read.sounding.reduce((sum, { bars }) => sum + bars, 0);
  const homeAt = (place: number) => areas.find(({ from, to }) => place >= from && place <= to)?.home;
  const stays = read.sounding.map(({ bars, at: place }, at) => {
    const key = homeAt(place);
    const denied = (n: number) => (key === undefined || read.all.states[n]?.home === key ? 0 : DENIED);
    const share = bars / length;
    const may = read.allowed[at];
    const costs = chords[at]?.slice() ?? new Float64Array(whole.length);
    for (let n = 0; n < costs.length; n += 1)
      costs[n] = may?.[n] === 1 ? (costs[n] ?? 0) + share * (whole[n] ?? 0) + denied(n) : Infinity;
    return costs;
  });
  // Two chords back and forth go round: who leaves a mode for the last one has to come back.
  const [again] = goesBack(read.sounding.map(({ chord }) => heardAs(chord))) ? stays : [];
  return distinct(read, "fewest-changes", FEWEST, again ? [...stays, again] : stays);
}

/** The best analyses along a path that differ in their modes: by what each chord costs in each state, Infinity where it may not stay. */
export function distinct(
  read: Chartwise,
  kind: AnalysisKind,
  change: ChangeCosts,
  stays: readonly Float64Array[],
  states: readonly State[] = read.all.states,
): readonly ChartAnalysis[] {
  const { chart, choice, sounding, all } = read;
  const starts = new Set(chart.bars.map(({ from }) => from));
  const paths = bestPaths({
    states,
    stays,
    change,
    changesAt: stays.map((_, n) => (starts.has(sounding[n]?.at ?? 0) ? 0 : MID_BAR)),
  });
  const found = new Map<string, ChartAnalysis>();
  let ways = 0;
  for (const { cost, states } of paths) {
    const chordStates = states.slice(0, sounding.length);
    const key = chordStates.filter((state, at) => state !== chordStates[at - 1]).join(" ");
    if (!found.has(key)) {
      const taken = chordStates.map((at) => all.states[at]);
      found.set(key, { kind, segments: segmentsOf(read, taken), cost: rounded(cost) });
    }
    ways += 1;
    if (found.size >= (choice.most ?? MOST) || ways >= MAX_WAYS) break;
  }
  return [...found.values()];
}

/** Sums of decimal fractions without their tails. */
const rounded = (cost: number) => Math.round(cost * 1e6) / 1e6;

/** Chords in one state after another as a range; what does not sound goes with the chord before it. */
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
 * One mode for everything that is not set by hand: the home and the mode in which all chords together cost least, notes outside and
 * what speaks for another home.
 */
export function oneMode(read: Chartwise, { chords, whole }: Stays): readonly ChartAnalysis[] {
  const { choice, sounding, all, allowed } = read;
  const unlocked = sounding.flatMap(({ place }, at) => (place.lock === undefined ? [at] : []));
  const counted = unlocked.length > 0 ? unlocked : sounding.map((_, at) => at);
  const fixed = lockedStates(read);
  const weight = Math.max(1, Math.sqrt(sounding.length / LONG));
  const masks = [...new Set(counted.map((at) => allowed[at]))];
  return all.states
    .flatMap((state, n) => {
      if (!masks.every((mask) => mask?.[n] === 1)) return [];
      const said = state.rarity + weight * (whole[n] ?? 0);
      const cost = counted.reduce((sum, at) => sum + (chords[at]?.[n] ?? 0), said);
      return [{ state, cost: rounded(cost) }];
    })
    .sort((a, b) => a.cost - b.cost)
    .slice(0, choice.most ?? MOST)
    .map(({ state, cost }) => ({
      kind: "one-mode",
      segments: segmentsOf(
        read,
        sounding.map(({ at }) => fixed.get(at) ?? state),
      ),
      cost,
    }));
}

/**
 * In a chart of more chords than this, where it begins and ends says more of the home of the whole: it goes elsewhere between.
 */
const LONG = 8;

/** For each chord that something is set for the state that its range leaves least outside in. */
function lockedStates({ sounding, all, allowed }: Chartwise): ReadonlyMap<number, State> {
  const found = new Map<number, State>();
  for (const lock of new Set(sounding.flatMap(({ place }) => place.lock ?? []))) {
    const range = sounding.filter(({ place }) => place.lock === lock);
    const mask = allowed[sounding.findIndex(({ place }) => place.lock === lock)];
    const costOf = (state: State) =>
      range.reduce((sum, each) => sum + each.bars * outsideCount(state, each), state.rarity / 100);
    const [first, ...others] = all.states.filter((_, n) => mask?.[n] === 1);
    if (!first) continue;
    const best = others.reduce((least, state) => (costOf(state) < costOf(least) ? state : least), first);
    for (const { at } of range) found.set(at, best);
  }
  return found;
}
