import { soundOf } from "../pitch";
import { bestHome, type HomeMode, SEVEN } from "../scale";
import type { Tune } from "../tune";
import type { Candidate } from "./candidates";
import { type Profile, PROFILES } from "./profiles";

/** A stretch of bars in one home and mode. Bars are numbered as the tune numbers them, both ends counted. */
export interface Passage {
  readonly fromBar: number;
  readonly toBar: number;
  readonly homeMode: HomeMode;
}

/** What a quarter note of sounding counts, against the cost of a turn. */
const PER_QUARTER = 1;
/** The cost of a change of mode on the same home, and of home as well. */
const TURN = { mode: 7, home: 11 };
/** A turn is likelier where a section begins. */
const AT_SECTION = 0.6;
/** What being the whole tune's answer is worth at the start. */
const MAIN_BONUS = 2;
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
  const byBar = tune.bars.map(() => new Array<number>(12).fill(0));
  for (const { bar, pitch, duration } of tune.notes) {
    const time = byBar[bar];
    if (time) time[soundOf(pitch.name)] = (time[soundOf(pitch.name)] ?? 0) + duration;
  }
  const turns = tune.bars.map((_, bar) => (tune.bars[bar - 1]?.endsSection ? AT_SECTION : 1));
  const path = cheapestPath(states, byBar, turns);
  const runs: { state: State; from: number; to: number }[] = [];
  for (const [bar, state] of path.entries()) {
    const run = runs.at(-1);
    if (run?.state === state) run.to = bar;
    else runs.push({ state, from: bar, to: bar });
  }
  const number = (bar: number) => tune.bars[bar]?.number ?? bar + 1;
  return runs.map(({ state, from, to }) => ({
    fromBar: Math.max(1, number(from)),
    toBar: number(to),
    homeMode: runs.length === 1 ? main : state.homeMode,
  }));
}

function statesFor(main: HomeMode, ranked: readonly Candidate[]): readonly State[] {
  const homes = [
    ...new Set([soundOf(main.home), ...ranked.map(({ homeMode }) => soundOf(homeMode.home))]),
  ].slice(0, HOMES);
  const weightOf = (home: number) =>
    ranked.reduce((sum, { homeMode, weight }) => sum + (soundOf(homeMode.home) === home ? weight : 0), 0);
  const names = new Map([...ranked].reverse().map(({ homeMode }) => [soundOf(homeMode.home), homeMode.home]));
  return homes.flatMap((home) =>
    PROFILES.filter(({ mode }) => SEVEN.includes(mode) || mode === main.mode).map((profile) => {
      const name =
        home === soundOf(main.home) ? main.home : (names.get(home) ?? bestHome(home, profile.mode));
      const isMain = home === soundOf(main.home) && profile.mode === main.mode;
      return {
        homeMode: { home: name, mode: profile.mode },
        profile,
        start: -Math.log(weightOf(home) + 0.01) - profile.prior - (isMain ? MAIN_BONUS : 0),
      };
    }),
  );
}

function barCost({ homeMode, profile }: State, time: readonly number[]): number {
  const home = soundOf(homeMode.home);
  return time.reduce(
    (sum, quarters, sound) =>
      sum - PER_QUARTER * quarters * (profile.rows.sounding[(sound - home + 12) % 12] ?? 0),
    0,
  );
}

function cheapestPath(
  states: readonly State[],
  byBar: readonly (readonly number[])[],
  turns: readonly number[],
): readonly State[] {
  let costs = states.map((state) => state.start);
  const cameFrom: number[][] = [];
  for (const [bar, time] of byBar.entries()) {
    const from: number[] = [];
    costs = states.map((state, to) => {
      const reach = (at: number) => (costs[at] ?? Infinity) + (turns[bar] ?? 1) * turnCost(states[at], state);
      const best = states.reduce((cheapest, _, at) => (reach(at) < reach(cheapest) ? at : cheapest), to);
      from.push(best);
      return reach(best) + barCost(state, time);
    });
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

function turnCost(from: State | undefined, to: State): number {
  if (!from || from === to) return 0;
  return soundOf(from.homeMode.home) === soundOf(to.homeMode.home) ? TURN.mode : TURN.home;
}
