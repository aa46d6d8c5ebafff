import { type Fifths, soundOf } from "../pitch";
import { type HomeMode, SEVEN } from "../scale";
import { excerptOf, timeBySound, type Tune, type TuneNote } from "../tune";
import type { Candidate } from "./candidates";
import { hear } from "./hearing";
import { type Profile, PROFILES } from "./profiles";
import { scoreOf } from "./score";

/** A stretch of bars in one home and mode. Bars are numbered as the tune numbers them, both ends counted. */
export interface Passage {
  readonly fromBar: number;
  readonly toBar: number;
  readonly homeMode: HomeMode;
}

/** What a quarter note of sounding counts, against the cost of a turn. */
const PER_QUARTER = 1;
/** The cost of a change of mode on the same home, and of home as well. */
const TURN = { mode: 6, home: 7 };
/** A turn is likelier where a section begins. */
const AT_SECTION = 0.38;
/** And likelier still where another key is declared. */
const AT_KEY = 0.4;

/** What the home of the whole tune has in its favour when a stretch of it is listened to. */
const SAME_HOME = 3;

/** How many of the likeliest homes may take part. */
const HOMES = 4;

interface State {
  readonly homeMode: HomeMode;
  readonly profile: Profile;
  readonly start: number;
}

/**
 * Where home or mode changes: the cheapest path over all bars at once (Viterbi 1967), each bar weighed by the time its
 * notes sound and by what the whole tune says of the home. A tune that stays in its mode is one passage.
 */
export function passages(tune: Tune, main: HomeMode, ranked: readonly Candidate[]): readonly Passage[] {
  const states = statesFor(main, ranked);
  const notes = tune.bars.map((): TuneNote[] => []);
  for (const note of tune.notes) notes[note.bar]?.push(note);
  const byBar = notes.map((inBar) => timeBySound(inBar));
  const keyed = new Set(tune.keys?.slice(1).map(({ bar }) => bar));
  const turns = tune.bars.map(
    (_, bar) => (tune.bars[bar - 1]?.endsSection ? AT_SECTION : 1) * (keyed.has(bar) ? AT_KEY : 1),
  );
  const runs: Run[] = [];
  for (const [bar, { homeMode }] of cheapestPath(states, byBar, turns).entries())
    extend(runs, homeMode, bar, bar);
  const heard: Run[] = [];
  if (runs.length > 1)
    for (const run of runs) extend(heard, heardIn(tune, run, states, main), run.from, run.to);
  const number = (bar: number) => tune.bars[bar]?.number ?? bar + 1;
  const whole = { homeMode: main, from: 0, to: tune.bars.length - 1 };
  return (heard.length > 1 ? heard : [whole]).map(({ homeMode, from, to }) => ({
    fromBar: Math.max(1, number(from)),
    toBar: number(to),
    homeMode,
  }));
}

/** A stretch of bars, by their places in the tune. */
interface Run {
  readonly homeMode: HomeMode;
  readonly from: number;
  readonly to: number;
}

/** Puts a stretch behind the others, as part of the last one where that is in the same home and mode. */
function extend(runs: Run[], homeMode: HomeMode, from: number, to: number): void {
  const last = runs.at(-1);
  const isSame = last?.homeMode.home === homeMode.home && last.homeMode.mode === homeMode.mode;
  if (last && isSame) runs[runs.length - 1] = { ...last, to };
  else runs.push({ homeMode, from, to });
}

/** What a stretch is in when it is listened to by itself, its endings and openings too; the tune's own home is likelier. */
function heardIn(
  tune: Tune,
  { homeMode, from, to }: Run,
  states: readonly State[],
  main: HomeMode,
): HomeMode {
  const hearing = hear(excerptOf(tune, { from, to }));
  if (!hearing) return homeMode;
  const rank = (state: State) =>
    scoreOf(hearing, state.homeMode.mode, soundOf(state.homeMode.home)) +
    (soundOf(state.homeMode.home) === soundOf(main.home) ? SAME_HOME : 0);
  return states.reduce(
    (best, state) => {
      const own = rank(state);
      return own > best.rank ? { rank: own, homeMode: state.homeMode } : best;
    },
    { rank: -Infinity, homeMode },
  ).homeMode;
}

function statesFor(main: HomeMode, ranked: readonly Candidate[]): readonly State[] {
  const weights = new Map<number, { readonly home: Fifths; weight: number }>();
  for (const { homeMode, weight } of [{ homeMode: main, weight: 0 }, ...ranked]) {
    const sound = soundOf(homeMode.home);
    const known = weights.get(sound);
    if (known) known.weight += weight;
    else weights.set(sound, { home: homeMode.home, weight });
  }
  return [...weights.values()].slice(0, HOMES).flatMap(({ home, weight }) =>
    PROFILES.filter(({ mode }) => SEVEN.includes(mode) || mode === main.mode).map((profile) => ({
      homeMode: { home, mode: profile.mode },
      profile,
      start: -Math.log(weight + 0.01) - profile.prior,
    })),
  );
}

function barCost({ profile }: State, home: number, time: readonly number[]): number {
  let cost = 0;
  for (let sound = 0; sound < 12; sound += 1) {
    const quarters = time[sound] ?? 0;
    if (quarters > 0) cost -= PER_QUARTER * quarters * (profile.rows.sounding[(sound - home + 12) % 12] ?? 0);
  }
  return cost;
}

/**
 * The cheapest path. A turn costs the same whatever the modes are, so that only the cheapest state of all and of each home
 * need be looked at.
 */
function cheapestPath(
  states: readonly State[],
  byBar: readonly (readonly number[])[],
  turns: readonly number[],
): readonly State[] {
  const homes = states.map(({ homeMode }) => soundOf(homeMode.home));
  const all = states.map((_, at) => at);
  const onHome = new Map(homes.map((home) => [home, all.filter((at) => homes[at] === home)]));
  let costs = states.map(({ start }) => start);
  const cameFrom: number[][] = [];
  for (const [bar, time] of byBar.entries()) {
    const cost = (at: number) => costs[at] ?? Infinity;
    const cheapest = (some: readonly number[]) =>
      some.reduce((best, at) => (cost(at) < cost(best) ? at : best), some[0] ?? 0);
    const ofAll = cheapest(all);
    const ofHome = new Map([...onHome].map(([home, some]) => [home, cheapest(some)]));
    const turn = turns[bar] ?? 1;
    const from: number[] = [];
    const next = states.map((state, at) => {
      const home = homes[at] ?? 0;
      const near = ofHome.get(home) ?? at;
      const [stays, byMode, byHome] = [
        cost(at),
        cost(near) + turn * TURN.mode,
        cost(ofAll) + turn * TURN.home,
      ];
      const reached = Math.min(stays, byMode, byHome);
      from.push(reached === stays ? at : reached === byMode ? near : ofAll);
      return reached + barCost(state, home, time);
    });
    costs = next;
    cameFrom.push(from);
  }
  let at = costs.indexOf(Math.min(...costs));
  const path: State[] = [];
  for (let bar = byBar.length - 1; bar >= 0; bar -= 1) {
    const state = states[at];
    if (state) path.push(state);
    at = cameFrom[bar]?.[at] ?? at;
  }
  return path.reverse();
}
