import { modulo } from "../pitch";
import { mode } from "../scale";
import { isFiveOf, isTwoOf, leadsTo, rests } from "./cadence";
import { behaviour, type ChordContext, contextKey } from "./home";
import { type HomeRow, rowFor } from "./home-rows";

/** The kinds of a home, each with its row, and how much it has to show itself, in nats. */
const KINDS: readonly { readonly row: HomeRow; readonly isMinor: boolean; readonly rare: number }[] = (
  [
    ["ionian", false, 0],
    ["aeolian", true, 0.3],
    ["mixolydian", false, 1.5],
    ["dorian", true, 1.5],
    ["lydian", false, 2.5],
    ["phrygian", true, 2.5],
    ["phrygian-dominant", false, 2.5],
  ] as const
).map(([id, isMinor, rare]) => ({ row: rowFor(mode(id)), isMinor, rare }));

/** A state is a home of a kind: kind × 12 + home. */
const STATES = KINDS.length * 12;

/**
 * How a chart goes through its keys; in nats where nothing else is said. Chosen by hand in December 2026 on the charts that are written out in
 * `tests/accuracy/key-charts.ts` and on 160 that are made there, so that those of `charts.ts`, which stay in one key, still do; charts made from
 * other seeds check them (`npm run accuracy`).
 */
const KEYS = {
  /** How likely a change is from one chord to the next, and where a section begins. */
  change: 0.1,
  section: 0.25,
  /** What behaviour in a home counts. */
  behaviour: 1.7,
  /** A chart begins and ends at home, and so does a phrase begin that follows a cadence. */
  first: 5,
  last: 5,
  phrase: 3,
  /** A dominant between the second degree and home; a minor chord that goes on as the second degree of the next key. */
  twoFive: 2,
  passed: 3,
  /** How much of the chance of a change goes to homes by how long the chart is there: coming back costs next to nothing. */
  presence: 0.7,
  rounds: 2,
};

/** How much likelier than others a key so many half steps up is, where a chart changes key: its dominant, subdominant and relatives first. */
const NEAR: readonly number[] = [1, 0.8, 1, 1.5, 0.8, 1.6, 0.4, 1.6, 0.8, 1.5, 1, 0.5];

/** The chances of homes chord by chord. */
export interface KeyPosterior {
  /** How likely each of the twelve homes is at each chord: chord × 12 + home. */
  readonly homes: Float64Array;
  /** The part of that in which the home is minor. */
  readonly minor: Float64Array;
}

/**
 * How likely each home is at each chord, from all chords before and after it (a hidden Markov model, forward and backward: Rabiner 1989).
 * Evidence is by chord and not by length, so that it is the same however the chart is barred.
 *
 * @param contexts each chord once, however often it is struck again
 * @param begins the chords on which sections begin
 */
export function keyPosterior(contexts: readonly ChordContext[], begins: ReadonlySet<number>): KeyPosterior {
  const emitted = emissions(contexts);
  let presence = new Float64Array(12).fill(1 / 12);
  let found = passes(emitted, begins, presence);
  for (let round = 0; round < KEYS.rounds; round += 1) {
    presence = new Float64Array(12);
    for (const [place, chance] of found.homes.entries())
      presence[place % 12] = (presence[place % 12] ?? 0) + chance / contexts.length;
    found = passes(emitted, begins, presence);
  }
  return found;
}

/**
 * How likely a chord is in every state, the likeliest 1. It depends on what is around the chord and not on where that lies, so that what comes
 * again in any key is known.
 */
function emissions(contexts: readonly ChordContext[]): readonly Float64Array[] {
  const known = new Map<string, Float64Array>();
  return contexts.map((here, at) => {
    const [isFirst, isLast] = [at === 0, at === contexts.length - 1];
    const begins = beginsPhrase(contexts, at);
    const key = [contextKey(here), isFirst, isLast, begins].join(" ");
    const found = known.get(key) ?? emission(here, { isFirst, isLast, begins });
    known.set(key, found);
    // By half steps from the home up to the chord there, by homes here.
    return Float64Array.from({ length: STATES }, (_, state) => {
      const above = modulo(here.chord.root - (state % 12), 12);
      return found[state - (state % 12) + above] ?? 0;
    });
  });
}

interface Place {
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly begins: boolean;
}

/** The same by kind × 12 + half steps from home up to the chord. */
function emission(here: ChordContext, { isFirst, isLast, begins }: Place): Float64Array {
  const { chord } = here;
  const nats = new Float64Array(STATES);
  const atHome =
    (isFirst ? KEYS.first : 0) +
    (isLast && chord.kind !== "7" ? KEYS.last : 0) +
    (begins ? KEYS.phrase : 0) -
    (isPassedThrough(here) ? KEYS.passed : 0);
  for (let above = 0; above < 12; above += 1) {
    const home = modulo(chord.root - above, 12);
    const isTwoFive = isFiveOf(home, chord) && isTwoOf(home, here.before) && rests(home, here.next);
    const said = (above === 0 ? atHome : 0) + (isTwoFive ? KEYS.twoFive : 0);
    for (const [kind, { row, rare }] of KINDS.entries())
      nats[kind * 12 + above] =
        said - KEYS.behaviour * behaviour(here, home, row).cost - (isFirst ? rare : 0);
  }
  const most = nats.reduce((high, each) => Math.max(high, each), -Infinity);
  return nats.map((each) => Math.exp(each - most));
}

/** Whether a chord comes right after a cadence: a phrase begins. */
function beginsPhrase(contexts: readonly ChordContext[], at: number): boolean {
  const [chord, before, two] = [contexts[at]?.chord, contexts[at - 1]?.chord, contexts[at - 2]?.chord];
  const isCadence =
    before !== undefined &&
    (two?.kind === "7" || two?.kind === "d") &&
    rests(before.root, before) &&
    leadsTo(before.root, two);
  return isCadence && (chord?.kind === "M" || chord?.kind === "m");
}

/** Whether a minor chord that was led to goes on to a dominant a fourth above, and doesn't come back. */
const isPassedThrough = ({ chord, before, next, third, isVamp }: ChordContext): boolean =>
  !isVamp &&
  chord.kind === "m" &&
  leadsTo(chord.root, before) &&
  next?.kind === "7" &&
  modulo(next.root - chord.root, 12) === 5 &&
  third?.root !== chord.root;

/** A change goes to a home by how near it is and how long the chart is there, and to its kinds by how seldom they are. */
function changes(presence: Float64Array) {
  const weights = KINDS.map(({ rare }) => Math.exp(-rare));
  const all = weights.reduce((sum, each) => sum + each, 0);
  const goes = Float64Array.from({ length: 144 }, (_, pair) => {
    const [from, to] = [Math.floor(pair / 12), pair % 12];
    return (
      (NEAR[modulo(to - from, 12)] ?? 1) * ((1 - KEYS.presence) / 12 + KEYS.presence * (presence[to] ?? 0))
    );
  });
  return { kinds: weights.map((each) => each / all), goes };
}

/** One pass forward and one backward through the chords. */
function passes(
  emitted: readonly Float64Array[],
  begins: ReadonlySet<number>,
  presence: Float64Array,
): KeyPosterior {
  const { kinds, goes } = changes(presence);
  const changeAt = (at: number) => (begins.has(at) ? KEYS.section : KEYS.change);
  const masses = new Float64Array(12);
  /** States after a chord from those before it; backwards, those before it from what is told after it. In place. */
  const step = (states: Float64Array, chance: number, isBack: boolean): void => {
    masses.fill(0);
    for (let state = 0; state < STATES; state += 1)
      masses[state % 12] =
        (masses[state % 12] ?? 0) +
        (states[state] ?? 0) * (isBack ? (kinds[Math.floor(state / 12)] ?? 0) : 1);
    for (let home = 0; home < 12; home += 1) {
      let reached = 0;
      for (let other = 0; other < 12; other += 1)
        reached += (masses[other] ?? 0) * (goes[isBack ? home * 12 + other : other * 12 + home] ?? 0);
      for (let state = home; state < STATES; state += 12)
        states[state] =
          (1 - chance) * (states[state] ?? 0) +
          chance * reached * (isBack ? 1 : (kinds[Math.floor(state / 12)] ?? 0));
    }
  };
  const forward: Float64Array[] = [];
  for (const [at, here] of emitted.entries()) {
    const came = forward[at - 1]?.slice();
    if (came) {
      step(came, changeAt(at), false);
      multiply(came, here);
    }
    forward.push(scaled(came ?? here.slice()));
  }
  const homes = new Float64Array(emitted.length * 12);
  const minor = new Float64Array(emitted.length * 12);
  const backward = new Float64Array(STATES).fill(1);
  for (let at = emitted.length - 1; at >= 0; at -= 1) {
    const both = forward[at] ?? backward.slice();
    multiply(both, backward);
    scaled(both);
    for (let state = 0; state < STATES; state += 1) {
      const place = at * 12 + (state % 12);
      const each = both[state] ?? 0;
      homes[place] = (homes[place] ?? 0) + each;
      if (KINDS[Math.floor(state / 12)]?.isMinor === true) minor[place] = (minor[place] ?? 0) + each;
    }
    multiply(backward, emitted[at] ?? backward);
    step(backward, changeAt(at), true);
    scaled(backward);
  }
  return { homes, minor };
}

/** Each of a list times its like in another, in place. */
function multiply(all: Float64Array, by: Float64Array): void {
  for (let at = 0; at < all.length; at += 1) all[at] = (all[at] ?? 0) * (by[at] ?? 0);
}

/** A list made to add up to 1, in place. */
function scaled(all: Float64Array): Float64Array {
  let sum = 0;
  for (let at = 0; at < all.length; at += 1) sum += all[at] ?? 0;
  if (sum > 0) for (let at = 0; at < all.length; at += 1) all[at] = (all[at] ?? 0) / sum;
  return all;
}
