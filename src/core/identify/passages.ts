import { soundOf } from "../pitch";
import { type HomeMode, type Mode, SEVEN, size, type PitchClassSet, soundsOn, transpose } from "../scale";
import { allNotes, type BarRange, excerptOf, timeBySound, type Tune } from "../tune";
import { spelledHome } from "./candidates";
import { hear, type Hearing } from "./hearing";
import { keySays, likelihoodOf, priorsOf, sureness } from "./score";
import { above, shareLogs } from "./shares";
import { expectedSounding } from "./voices-score";

/**
 * What a passage is to the one before: another mode; a neighbouring key in the same mode, or the relative, which is harmony and no
 * change of mode; a part of a piece that is written in a key of its own.
 */
type PassageKind = "mode" | "key" | "relative" | "own-key";

/** A run of bars in one home and mode. Bars are numbered as the tune numbers them, both ends counted. */
export interface Passage {
  readonly fromBar: number;
  readonly toBar: number;
  /** The same bars by their places. */
  readonly bars: BarRange;
  readonly homeMode: HomeMode;
  /** What it is to the passage before; undefined for the first. */
  readonly kind?: PassageKind | undefined;
}

/** What a change costs, as a logarithm of odds: to the same notes on another home, to other notes on the same home, to both. */
const CHANGE = { home: 0.9, mode: 0.2, note: 0.5, both: 3 };

/**
 * Pieces in several voices go through other keys and come back, and their phrases rest on other degrees: there a change has to show more
 * clearly, most of all one that only another home tells, and one that nothing marks off.
 */
const VOICES_CHANGE = { any: 4, home: 4, unmarked: 3 };

/** A declared key makes a change likelier where it stands. */
const DECLARED_CHANGE = 1.5;

/** Bars of a unit that is not marked off, and the fewest that are listened to by themselves. */
const UNIT = { unmarked: 8, least: 3 };

/** In a piece of more bars, unmarked units are longer, so that they are not too many. */
const MANY_BARS = 400;

/** A home and mode that a passage may be in. */
interface State {
  readonly mode: Mode;
  readonly home: number;
  readonly sounds: PitchClassSet;
}

/** Bars that are listened to by themselves. */
interface Unit extends BarRange {
  /** A repeat sign, double bar or declared key stands before it. */
  readonly isMarked: boolean;
}

interface HeardUnit extends Unit {
  readonly hearing: Hearing;
}

/**
 * Where home or mode changes: the likeliest path over all sections at once (Viterbi 1967), each listened to by itself with its
 * endings and its opening, long ones in units of eight bars. A tune that stays in its mode is one passage.
 */
export function passages(tune: Tune, hearing: Hearing, main: HomeMode): readonly Passage[] {
  const whole = { from: 0, to: tune.bars.length - 1 };
  const number = (bar: number) => tune.bars[bar]?.number ?? bar + 1;
  const passage = (bars: BarRange, homeMode: HomeMode): Passage => ({
    fromBar: Math.max(1, number(bars.from)),
    toBar: Math.max(1, number(bars.to)),
    bars,
    homeMode,
  });
  const units = heardUnits(tune);
  if (units.length < 2) return [passage(whole, main)];
  const path = likeliestPath(tune, statesFor(hearing, main), units, hearing.voices !== undefined);
  const runs: { from: number; to: number; state: State; isMarked: boolean }[] = [];
  for (const [at, state] of path.entries()) {
    const [last, { from, to, isMarked }] = [runs.at(-1), units[at] as HeardUnit];
    if (last?.state === state) last.to = to;
    else runs.push({ from, to, isMarked, state });
  }
  if (runs.length < 2) return [passage(whole, main)];
  for (const [at, run] of runs.entries()) {
    const before = runs[at - 1];
    if (!before || run.isMarked) continue;
    run.from = bestCut(tune, before, run);
    before.to = run.from - 1;
  }
  const found = runs.map(({ from, to, state }) => {
    const home = spelledHome(tune, hearing, state.home, state.mode);
    return passage({ from, to }, { home, mode: state.mode });
  });
  return found.map((each, at) => {
    const before = found[at - 1];
    return before ? { ...each, kind: kindOf(tune, before, each) } : each;
  });
}

/** Sections, cut where a key is declared; a long one without a mark in units; ends of a bar or two go with what is before. */
function unitsOf(tune: Tune): readonly Unit[] {
  const last = tune.bars.length - 1;
  const keyed = new Set(tune.keys?.slice(1).map(({ bar }) => bar));
  const starts = tune.bars.flatMap((_, bar) =>
    bar === 0 || tune.bars[bar - 1]?.endsSection === true || keyed.has(bar) ? [bar] : [],
  );
  const units: Unit[] = [];
  const usual = UNIT.unmarked * Math.ceil(tune.bars.length / MANY_BARS);
  for (const [at, from] of starts.entries()) {
    const to = (starts[at + 1] ?? last + 1) - 1;
    const before = units.at(-1);
    if (before && to - from + 1 < UNIT.least) {
      units[units.length - 1] = { ...before, to };
      continue;
    }
    for (let start = from; start <= to; start += usual) {
      // What is left over at the end stays with the unit before it.
      const isLast = to - start + 1 < usual + UNIT.least;
      units.push({ from: start, to: isLast ? to : start + usual - 1, isMarked: start === from });
      if (isLast) break;
    }
  }
  const [first, second] = units;
  return first && second && first.to - first.from + 1 < UNIT.least
    ? [{ ...second, from: first.from }, ...units.slice(2)]
    : units;
}

/** The units in which the melody sounds; what is silent goes with the unit before it, or after it at the start. */
function heardUnits(tune: Tune): readonly HeardUnit[] {
  const units: HeardUnit[] = [];
  let from: number | undefined;
  for (const unit of unitsOf(tune)) {
    const hearing = hear(excerptOf(tune, unit));
    const before = units.at(-1);
    if (hearing) units.push({ ...unit, from: from ?? unit.from, hearing });
    else if (before) units[units.length - 1] = { ...before, to: unit.to };
    from = hearing || before ? undefined : (from ?? unit.from);
  }
  return units;
}

function statesFor({ names }: Hearing, main: HomeMode): readonly State[] {
  const modes = SEVEN.includes(main.mode) ? SEVEN : [...SEVEN, main.mode];
  return modes.flatMap((mode) =>
    names.flatMap((name, home) =>
      name === undefined ? [] : [{ mode, home, sounds: transpose(mode.sounds, home) }],
    ),
  );
}

/** What it costs to go from one home and mode to another, in one voice or in several. */
function costOf(from: State, to: State, isVoices: boolean): number {
  if (from.sounds === to.sounds) return CHANGE.home + (isVoices ? VOICES_CHANGE.home : 0);
  const notes = size(from.sounds ^ to.sounds) / 2;
  if (from.home === to.home) return CHANGE.mode + CHANGE.note * (notes - 1);
  return CHANGE.both;
}

/** For each state, those with the same notes and those with the same home. */
function kinOf(states: readonly State[]): (state: State) => readonly number[] {
  const [bySounds, byHome] = [new Map<number, number[]>(), new Map<number, number[]>()];
  const put = (map: Map<number, number[]>, key: number, at: number) => {
    const known = map.get(key);
    if (known) known.push(at);
    else map.set(key, [at]);
  };
  for (const [at, { sounds, home }] of states.entries()) {
    put(bySounds, sounds, at);
    put(byHome, home, at);
  }
  return ({ sounds, home }) => [...(bySounds.get(sounds) ?? []), ...(byHome.get(home) ?? [])];
}

/** What a declared key says for each state of a unit. */
function declaredFor(tune: Tune, states: readonly State[], { from }: Unit): readonly number[] {
  const keys = tune.keys ?? [];
  const key = keys.findLast(({ bar }) => bar <= from);
  // One key for all of it says nothing of where it changes.
  if (!key || keys.length < 2) return states.map(() => 0);
  return states.map(({ sounds, home }) => keySays(key, sounds, home));
}

function likeliestPath(
  tune: Tune,
  states: readonly State[],
  units: readonly HeardUnit[],
  isVoices: boolean,
): readonly State[] {
  const prior = priorsOf(
    states.map(({ mode }) => mode),
    isVoices ? "voices" : "modal",
  );
  const keyed = new Set(tune.keys?.slice(1).map(({ bar }) => bar));
  const kin = kinOf(states);
  let best: readonly number[] = [];
  const cameFrom: number[][] = [];
  for (const [at, unit] of units.entries()) {
    const { hearing } = unit;
    const declared = declaredFor(tune, states, unit);
    const sure = sureness(hearing);
    const own = shareLogs(
      states.map(
        ({ mode, home }, state) => sure * likelihoodOf(hearing, mode, home) + (declared[state] ?? 0),
      ),
    );
    if (at === 0) {
      best = own.map((each, state) => each + (prior[state] ?? 0));
      continue;
    }
    const inVoices = isVoices ? VOICES_CHANGE.any + (unit.isMarked ? 0 : VOICES_CHANGE.unmarked) : 0;
    const more = inVoices - (keyed.has(unit.from) ? DECLARED_CHANGE : 0);
    const before = best;
    const order = states.map((_, state) => state).sort((a, b) => (before[b] ?? 0) - (before[a] ?? 0));
    const from: number[] = [];
    best = states.map((state, here) => {
      let [most, came] = [before[here] ?? -Infinity, here];
      const reach = (there: number) => {
        const cost = costOf(states[there] as State, state, isVoices) + more - (prior[here] ?? 0);
        const reached = (before[there] ?? -Infinity) - cost;
        if (reached > most) [most, came] = [reached, there];
      };
      const near = kin(state);
      for (const there of near) if (there !== here) reach(there);
      // All others cost the same, so that only the likeliest of them need be looked at.
      const far = order.find((there) => !near.includes(there));
      if (far !== undefined) reach(far);
      from.push(came);
      return most + (own[here] ?? 0);
    });
    cameFrom.push(from);
  }
  let at = best.indexOf(Math.max(...best));
  const path = [at];
  for (const from of cameFrom.reverse()) {
    at = from[at] ?? at;
    path.push(at);
  }
  return path.reverse().map((state) => states[state] as State);
}

/** What a cut after eight bars has in its favour. */
const USUAL_CUT = 2.5;

/** The bar from which the second of two states suits the notes better, between the middles of their runs. */
function bestCut(
  tune: Tune,
  before: BarRange & { readonly state: State },
  after: BarRange & { readonly state: State },
): number {
  const from = Math.max(before.from + 1, after.from - UNIT.unmarked / 2);
  const to = Math.min(after.to, after.from + UNIT.unmarked / 2);
  const [one, other] = [before.state, after.state].map(({ mode, home }) => {
    const row = expectedSounding(mode);
    return (sound: number) => row[above(sound, home)] ?? 0;
  });
  const notes = allNotes(tune);
  let [sum, best] = [0, { bar: after.from, sum: -Infinity }];
  for (let bar = from; bar <= to; bar += 1) {
    // Eight bars are the usual length: another has to be clearly better.
    const gain = sum + (bar === after.from ? USUAL_CUT : 0);
    if (gain > best.sum) best = { bar, sum: gain };
    const time = timeBySound(notes.filter((note) => note.bar === bar));
    for (const [sound, quarters] of time.entries())
      if (quarters > 0) sum += quarters * ((one?.(sound) ?? 0) - (other?.(sound) ?? 0));
  }
  return best.bar;
}

/** What a passage is to the one before it. */
function kindOf(tune: Tune, before: Passage, { homeMode, bars }: Passage): PassageKind {
  const isPlain = ({ mode }: HomeMode) => mode.id === "ionian" || mode.id === "aeolian";
  const isKey = isPlain(homeMode) && isPlain(before.homeMode) && homeMode.home !== before.homeMode.home;
  if (!isKey) return "mode";
  if (tune.keys?.slice(1).some(({ bar }) => bar === bars.from)) return "own-key";
  if (soundsOn(homeMode) === soundsOn(before.homeMode)) return "relative";
  const fifths = (soundOf(homeMode.home) - soundOf(before.homeMode.home) + 12) % 12;
  const isNeighbour = homeMode.mode === before.homeMode.mode && (fifths === 5 || fifths === 7);
  return isNeighbour ? "key" : "mode";
}
