import { modulo } from "../../src/core/pitch";
import { COUNTED } from "../../src/core/progression/chord-counts";
import { type Heard, heardAs } from "../../src/core/progression/home";
import { readChart } from "../../src/core/chord";
import { soundingChords } from "../../src/core/progression/sounding";

/**
 * A plain model of keys to measure against: a hidden Markov model over 24 keys, with what was counted in 34 expert analyses and nothing else. The
 * chance of a chord after the one before it, smoothed by eight counts of the chord alone; a change of key at 0.1, wherever to; two nats for a
 * first and a last chord on home; each chord's key the likeliest by all the others (forward and backward).
 */
const KINDS = ["M", "m", "7", "d", "o", "+", "s"] as const;
const [SMOOTHING, LEAST, CHANGE, AT_THE_ENDS] = [8, 0.05, 0.1, 2];

type Table = Readonly<Record<string, number>>;

function counted(row: (typeof COUNTED)["major" | "minor"]) {
  const entries = (text: string): Table =>
    Object.fromEntries(
      text.split(" ").map((entry) => [entry.split("=")[0] ?? "", Number(entry.split("=")[1])]),
    );
  const alone = entries(row.chords);
  const all = Object.values(alone).reduce((sum, count) => sum + count, 0) + LEAST * 12 * KINDS.length;
  const follows: Readonly<Record<string, Table>> = Object.fromEntries(
    row.follows.map((line) => [line.split(": ")[0] ?? "", entries(line.split(": ")[1] ?? "")]),
  );
  return (before: string | undefined, token: string): number => {
    const share = ((alone[token] ?? 0) + LEAST) / all;
    if (before === undefined) return share;
    const seen = follows[before] ?? {};
    const sum = Object.values(seen).reduce((total, count) => total + count, 0);
    return ((seen[token] ?? 0) + SMOOTHING * share) / (sum + SMOOTHING);
  };
}

const ROWS = [counted(COUNTED.major), counted(COUNTED.minor)] as const;

/** The likeliest home at each chord of a chart. */
export function plainHomes(text: string): readonly number[] {
  const heard = soundingChords(readChart(text).value).map(({ chord }) => heardAs(chord));
  const tokenOf = (home: number, chord: Heard | undefined) =>
    chord && `${modulo(chord.root - home, 12)}${chord.kind}`;
  const emitted = heard.map((chord, at) =>
    Array.from({ length: 24 }, (_, state) => {
      const home = state % 12;
      const row = ROWS[state < 12 ? 0 : 1];
      const isEnd = (at === 0 || at === heard.length - 1) && chord.root === home;
      return (
        row(tokenOf(home, heard[at - 1]), tokenOf(home, chord) ?? "") * (isEnd ? Math.exp(AT_THE_ENDS) : 1)
      );
    }),
  );
  const scaled = (states: readonly number[]) => {
    const sum = states.reduce((all, each) => all + each, 0) || 1;
    return states.map((each) => each / sum);
  };
  const step = (states: readonly number[]) => {
    const sum = states.reduce((all, each) => all + each, 0);
    return states.map((each) => (1 - CHANGE) * each + (CHANGE * (sum - each)) / 23);
  };
  const forward: (readonly number[])[] = [];
  for (const [at, here] of emitted.entries()) {
    const last = forward[at - 1];
    const came = last ? step(last) : here.map(() => 1);
    forward.push(scaled(came.map((each, state) => each * (here[state] ?? 0))));
  }
  const homes: number[] = [];
  let backward: readonly number[] = Array.from({ length: 24 }, () => 1);
  for (let at = emitted.length - 1; at >= 0; at -= 1) {
    const byHome = new Array<number>(12).fill(0);
    for (const [state, each] of backward.entries())
      byHome[state % 12] = (byHome[state % 12] ?? 0) + each * (forward[at]?.[state] ?? 0);
    homes.unshift(byHome.reduce((best, each, home) => (each > (byHome[best] ?? 0) ? home : best), 0));
    backward = scaled(step(backward.map((each, state) => each * (emitted[at]?.[state] ?? 0))));
  }
  return homes;
}
