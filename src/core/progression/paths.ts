import { size } from "../scale";
import type { State } from "./states";

/** What the path finder goes by. */
export interface PathCosts {
  readonly states: readonly State[];
  /** For each chord the cost of each state, Infinity where it may not be taken. */
  readonly stays: readonly Float64Array[];
  readonly change: ChangeCosts;
  /** What a change costs more at each chord: in the middle of a bar. */
  readonly changesAt: readonly number[];
}

/** A change to another state: by itself, for the first note changed, for another home. Each further note counts less. */
export interface ChangeCosts {
  readonly base: number;
  readonly note: number;
  readonly home: number;
}

/** How much each further note counts of the one before it, and after how many no more is counted. */
const FURTHER = { share: 0.5, most: 3 };

/**
 * What a number of changed notes counts, in notes: 1 → 1, 2 → 1.5, 3 and more → 1.75. A leap to a far key is one event, and
 * not the further the dearer.
 */
const changedNotes = (count: number): number =>
  (1 - FURTHER.share ** Math.min(count, FURTHER.most)) / (1 - FURTHER.share);

/** The same by how many places differ: half a note where one set has more than the other. */
const CHANGED = Array.from({ length: 13 }, (_, places) => changedNotes(places / 2));

const between = (one: number, other: number): number => CHANGED[size(one ^ other)] ?? 0;

/** Twelve places differ at most. */
const DEAREST = changedNotes(6);

/** A way through the chords: a state for each, by its place in `states`. */
export interface Path {
  readonly cost: number;
  readonly states: readonly number[];
}

/** Differences below this are none: costs are sums of decimal fractions. */
const EPSILON = 1e-9;

/**
 * All ways through the chords, cheapest first, answering one by one as they are asked for; exact. Among equals those that change
 * later come first.
 *
 * Forward: the cheapest way to each state at each chord (Viterbi 1967). A change depends only on the notes changed and on
 * whether home is kept, so predecessors are gathered by set of notes and home, not pair by pair: the work for a chord does
 * not grow with the square of the states. Backward: the next best ways are found from the ones before them (Jiménez and
 * Marzal, "Computing the k shortest paths", 1999).
 *
 * @example bestPaths(costs).next().value // the cheapest
 */
export function* bestPaths(costs: PathCosts): Generator<Path, void, undefined> {
  const { stays } = costs;
  if (stays.length === 0 || costs.states.length === 0) return;
  const by = numbered(costs);
  const search: Search = { costs, by, before: forward(costs, by), nodes: new Map() };
  for (let rank = 0; ; rank += 1) {
    const found = wayTo(search, stays.length, END, rank);
    if (!found || found.cost === Infinity) return;
    yield { cost: found.cost, states: statesOnWay(search, found) };
  }
}

/** The states as lists of numbers, so that the inmost loops look nothing up. */
interface Numbered {
  readonly count: number;
  readonly home: Uint8Array;
  readonly rarity: Float64Array;
  /** Which of the different sets of notes a state has, and what changing from one to another costs: from × sets + to. */
  readonly set: Uint16Array;
  readonly sets: number;
  readonly change: Float64Array;
  /** The states of each home. */
  readonly byHome: readonly (readonly number[])[];
}

function numbered({ states, change }: PathCosts): Numbered {
  const sets = [...new Set(states.map(({ sounds }) => sounds))];
  const setAt = new Map(sets.map((set, at) => [set, at]));
  const homes = [...new Set(states.map(({ home }) => home))];
  return {
    count: states.length,
    home: Uint8Array.from(states, ({ home }) => home),
    rarity: Float64Array.from(states, ({ rarity }) => rarity),
    set: Uint16Array.from(states, ({ sounds }) => setAt.get(sounds) ?? 0),
    sets: sets.length,
    change: changes(sets, change.note),
    byHome: homes.map((home) => states.flatMap((state, at) => (state.home === home ? [at] : []))),
  };
}

function changes(sets: readonly number[], note: number): Float64Array {
  const table = new Float64Array(sets.length ** 2);
  for (let at = 0; at < sets.length; at += 1)
    for (let to = at + 1; to < sets.length; to += 1) {
      const cost = note * between(sets[at] ?? 0, sets[to] ?? 0);
      table[at * sets.length + to] = cost;
      table[to * sets.length + at] = cost;
    }
  return table;
}

/** The cheapest cost of every state at every chord. */
function forward({ stays, change, changesAt }: PathCosts, by: Numbered): readonly Float64Array[] {
  const steps: Float64Array[] = [];
  const cheapest = new Float64Array(by.sets);
  const fromAny = new Float64Array(by.sets);
  // A state that costs more than the cheapest and the dearest change together cannot win.
  const margin = DEAREST * change.note;
  for (const [at, stay] of stays.entries()) {
    const step = stay.slice();
    const last = steps.at(-1);
    steps.push(step);
    if (!last) {
      for (let s = 0; s < by.count; s += 1) step[s] = (step[s] ?? 0) + (by.rarity[s] ?? 0);
      continue;
    }
    cheapest.fill(Infinity);
    for (let s = 0; s < by.count; s += 1) {
      const set = by.set[s] ?? 0;
      cheapest[set] = Math.min(cheapest[set] ?? Infinity, last[s] ?? Infinity);
    }
    spread(cheapest, by, fromAny, leastOf(cheapest) + margin);
    const extra = change.base + (changesAt[at] ?? 0);
    for (const members of by.byHome) {
      const least = members.reduce((low, s) => Math.min(low, last[s] ?? Infinity), Infinity);
      const sources = members.filter((s) => (last[s] ?? Infinity) <= least + margin && least < Infinity);
      for (const s of members) {
        if (step[s] === Infinity) continue;
        const to = by.set[s] ?? 0;
        let arrive = (fromAny[to] ?? Infinity) + change.home;
        for (const from of sources) {
          const cost = (last[from] ?? Infinity) + (by.change[(by.set[from] ?? 0) * by.sets + to] ?? 0);
          if (cost < arrive) arrive = cost;
        }
        step[s] = (step[s] ?? 0) + Math.min(last[s] ?? Infinity, arrive + extra + (by.rarity[s] ?? 0));
      }
    }
  }
  return steps;
}

function leastOf(costs: Float64Array): number {
  let least = Infinity;
  for (const cost of costs) if (cost < least) least = cost;
  return least;
}

/** What each set of notes can be reached for from any other. */
function spread(cheapest: Float64Array, by: Numbered, into: Float64Array, limit: number): void {
  into.fill(Infinity);
  for (let from = 0; from < by.sets; from += 1) {
    const cost = cheapest[from] ?? Infinity;
    if (cost > limit || cost === Infinity) continue;
    for (let to = 0; to < by.sets; to += 1) {
      const arrived = cost + (by.change[from * by.sets + to] ?? 0);
      if (arrived < (into[to] ?? 0)) into[to] = arrived;
    }
  }
}

/** One of the ways to a node: its cost, and which way of which state before it. */
interface Way {
  readonly cost: number;
  readonly from: number;
  readonly rank: number;
}

/** A state at a chord: the ways to it found so far, and those that may come next. */
interface Node {
  readonly found: Way[];
  /** What the best way through each state before it costs. */
  readonly costs: Float64Array;
  /** The cheapest of those states in order, as many as were looked for yet, and which of them is next. */
  firsts: readonly number[];
  next: number;
  /** Ways that were put off to a further rank of the state that they come from. */
  readonly later: Way[];
}

/** The ways to the states of one chart; nodes are made when they are first needed. */
interface Search {
  readonly costs: PathCosts;
  readonly by: Numbered;
  readonly before: readonly Float64Array[];
  readonly nodes: Map<number, Node>;
}

/** The state beyond the last chord that every way ends in. */
const END = -1;

/** What the last step to a node costs by itself: the change, and the chord in that state. */
function stepCost({ costs, by }: Search, from: number, state: number, at: number): number {
  if (state === END) return 0;
  const stay = costs.stays[at]?.[state] ?? Infinity;
  if (from === state) return stay;
  const { change, changesAt } = costs;
  const notes = by.change[(by.set[from] ?? 0) * by.sets + (by.set[state] ?? 0)] ?? 0;
  const home = by.home[from] === by.home[state] ? 0 : change.home;
  return stay + change.base + (changesAt[at] ?? 0) + (by.rarity[state] ?? 0) + notes + home;
}

function nodeAt(search: Search, at: number, state: number): Node {
  const { by, before, nodes } = search;
  const key = at * (by.count + 1) + state + 1;
  const known = nodes.get(key);
  if (known) return known;
  const last = before[at - 1];
  const costs = new Float64Array(by.count).fill(Infinity);
  for (let from = 0; last && from < by.count; from += 1) {
    const cost = last[from] ?? Infinity;
    if (cost < Infinity) costs[from] = cost + stepCost(search, from, state, at);
  }
  const firsts = cheapestFirst(costs, state, FIRSTS);
  const made: Node = { found: [], costs, firsts, next: 0, later: [] };
  if (at === 0) made.found.push({ cost: before[0]?.[state] ?? Infinity, from: END, rank: 0 });
  nodes.set(key, made);
  return made;
}

/** How many states are put in order when a node is made; all of them when these are used up. */
const FIRSTS = 8;

/** States by their costs, the cheapest first; among equals the same state again comes last, so that changes come late. */
function cheapestFirst(costs: Float64Array, state: number, most: number): readonly number[] {
  const firsts: number[] = [];
  const costOf = (from: number) => (costs[from] ?? Infinity) + (from === state ? EPSILON : 0);
  let bound = Infinity;
  for (let from = 0; from < costs.length; from += 1) {
    if ((costs[from] ?? Infinity) >= bound || costs[from] === Infinity) continue;
    const cost = costOf(from);
    let place = firsts.length;
    while (place > 0 && costOf(firsts[place - 1] ?? 0) > cost) place -= 1;
    firsts.splice(place, 0, from);
    if (firsts.length > most) firsts.pop();
    if (firsts.length === most) bound = costOf(firsts[most - 1] ?? 0);
  }
  return firsts;
}

/**
 * The way of a rank to a node, cheapest first, or undefined where there are fewer. The way found before it is put off
 * to the next best one through the state that it came from.
 */
function wayTo(search: Search, at: number, state: number, rank: number): Way | undefined {
  const node = nodeAt(search, at, state);
  while (node.found.length <= rank && at > 0) {
    const last = node.found.at(-1);
    const way = last && wayTo(search, at - 1, last.from, last.rank + 1);
    if (way) {
      const cost = way.cost + stepCost(search, last.from, state, at);
      node.later.push({ cost, from: last.from, rank: last.rank + 1 });
    }
    const next = takeNext(node, state);
    if (!next) return undefined;
    node.found.push(next);
  }
  return node.found[rank];
}

/** Takes the cheapest way that may come next: through a state not tried yet, or one that was put off. */
function takeNext(node: Node, state: number): Way | undefined {
  if (node.next === node.firsts.length && node.next === FIRSTS)
    node.firsts = cheapestFirst(node.costs, state, node.costs.length);
  const from = node.firsts[node.next];
  const cost = from === undefined ? Infinity : (node.costs[from] ?? Infinity);
  let best = -1;
  for (const [at, each] of node.later.entries()) if (each.cost < (node.later[best]?.cost ?? cost)) best = at;
  if (best >= 0) return node.later.splice(best, 1)[0];
  if (from === undefined) return undefined;
  node.next += 1;
  return { cost, from, rank: 0 };
}

function statesOnWay(search: Search, last: Way): readonly number[] {
  const states: number[] = [];
  let way: Way | undefined = last;
  for (let at = search.costs.stays.length - 1; at >= 0 && way; at -= 1) {
    states.push(way.from);
    way = wayTo(search, at, way.from, way.rank);
  }
  return states.reverse();
}
