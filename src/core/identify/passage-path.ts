import { type HomeMode, type Mode, type PitchClassSet, SEVEN, size, transpose } from "../scale";
import type { Tune } from "../tune";
import type { Hearing } from "./hearing";
import type { HeardUnit } from "./passage-units";
import { keySays, keySaysHome, likelihoodOf, priorsOf, sureness } from "./score";
import { shareLogs } from "./shares";

/** A home and mode that a passage may be in. */
export interface State {
  readonly mode: Mode;
  /** Sounding pitch class. */
  readonly home: number;
  readonly sounds: PitchClassSet;
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

/** Every home and mode that a passage may be in: the seven and the whole’s own where it has seven notes, on whatever is heard. */
export function statesFor({ names }: Hearing, main: HomeMode): readonly State[] {
  const isOther = main.mode.intervals.length === 7 && !SEVEN.includes(main.mode);
  const modes = isOther ? [...SEVEN, main.mode] : SEVEN;
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
function declaredFor(tune: Tune, states: readonly State[], { from, hearing }: HeardUnit): readonly number[] {
  const keys = tune.keys ?? [];
  const key = keys.findLast(({ bar }) => bar <= from);
  // One key for all of it says nothing of where it changes.
  if (!key || keys.length < 2) return states.map(() => 0);
  const says = hearing.voices ? keySaysHome : keySays;
  return states.map(({ sounds, home }) => says(key, sounds, home));
}

/** What each unit says for each state, as logarithms of shares: its own notes, and the key that is declared for it. */
export const heardIn = (
  tune: Tune,
  states: readonly State[],
  units: readonly HeardUnit[],
): readonly (readonly number[])[] =>
  units.map((unit) => {
    const declared = declaredFor(tune, states, unit);
    const sure = sureness(unit.hearing);
    return shareLogs(
      states.map(
        ({ mode, home }, state) => sure * likelihoodOf(unit.hearing, mode, home) + (declared[state] ?? 0),
      ),
    );
  });

/** The likeliest state of each unit, over all units at once (Viterbi 1967), as places in the list of states. */
export function likeliestPath(
  tune: Tune,
  states: readonly State[],
  units: readonly HeardUnit[],
  heard: readonly (readonly number[])[],
): readonly number[] {
  const isVoices = units.some(({ hearing }) => hearing.voices !== undefined);
  const prior = priorsOf(
    states.map(({ mode }) => mode),
    isVoices ? "voices" : "modal",
  );
  const keyed = new Set(tune.keys?.slice(1).map(({ bar }) => bar));
  const kin = kinOf(states);
  let best: readonly number[] = [];
  const cameFrom: number[][] = [];
  for (const [at, unit] of units.entries()) {
    const says = heard[at] ?? [];
    if (at === 0) {
      best = says.map((each, state) => each + (prior[state] ?? 0));
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
      return most + (says[here] ?? 0);
    });
    cameFrom.push(from);
  }
  let at = best.indexOf(Math.max(...best));
  const path = [at];
  for (const from of cameFrom.reverse()) {
    at = from[at] ?? at;
    path.push(at);
  }
  return path.reverse();
}
