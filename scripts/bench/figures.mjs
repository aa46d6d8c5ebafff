// @ts-check
/** How figures are told, kept, and held against those of another commit. */
import { readFileSync, writeFileSync } from "node:fs";
import prettier from "prettier";

/** @param {readonly number[]} values @param {number} share */
export const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? NaN;
/** @param {number} ms */
export const shown = (ms) => `${ms.toFixed(1)} ms`;

/**
 * What was measured under a name, in milliseconds, and what the fixed piece of work took beside it.
 *
 * @typedef {{ median: number, p95: number, worst: number, runs: number, fixed: number }} Figure
 */

/** @type {Map<string, Figure>} */
const figures = new Map();

/**
 * A piece of work that never changes, so that a slow machine is told from slow code: arithmetic, short lists and text, as the application
 * has them. The median of five, in milliseconds.
 */
export function fixedWork() {
  const times = Array.from({ length: 5 }, () => {
    const began = performance.now();
    let sum = 0;
    for (let round = 0; round < 20_000; round += 1) {
      const list = Array.from({ length: 12 }, (_, at) => (at * 7 + round) % 12);
      sum += list.filter((each) => each % 2 === 0).map((each) => `${each}`).length;
      for (const each of list) sum = (sum * 31 + each) % 1_000_003;
    }
    return performance.now() - began + (sum < 0 ? 1 : 0);
  });
  return quantile(times, 0.5);
}

const round = (/** @type {number} */ value) => Math.round(value * 100) / 100;

/** @param {string} name @param {readonly number[]} values */
export function report(name, values) {
  const [median, p95, worst] = [quantile(values, 0.5), quantile(values, 0.95), Math.max(...values)];
  figures.set(name.trim(), {
    ...{ median: round(median), p95: round(p95), worst: round(worst) },
    ...{ runs: values.length, fixed: round(fixedWork()) },
  });
  console.log(
    `${name}: median ${shown(median)}, 95th percentile ${shown(p95)}, worst ${shown(worst)} (${values.length} runs)`,
  );
}

/** @param {string} file @returns {Readonly<Record<string, Figure>>} */
const kept = (file) => JSON.parse(readFileSync(file, "utf8"));

/** Writes what was measured; what the file has of other parts stays. @param {string} file */
export async function keep(file) {
  /** @type {Readonly<Record<string, Figure>>} */
  let before = {};
  try {
    before = kept(file);
  } catch {
    // There is none yet.
  }
  const all = { ...before, ...Object.fromEntries(figures) };
  writeFileSync(file, await prettier.format(JSON.stringify(all), { parser: "json", printWidth: 110 }));
}

/** So much slower than before asks for a reason. */
const SLOWER_FROM = 1.5;

/**
 * Prints each figure beside that of another file, and how much slower it is, by the median, with both divided by the fixed piece of work of
 * their own runs.
 *
 * @param {string} file
 */
export function compare(file) {
  const before = kept(file);
  console.log(`\nAgainst ${file}: then, now, ratio of the two (a slower machine taken off)`);
  for (const [name, now] of figures) {
    const then = before[name];
    if (!then) continue;
    const ratio = now.median / now.fixed / (then.median / then.fixed);
    const mark = ratio >= SLOWER_FROM ? "  slower: say why" : "";
    console.log(
      `  ${name}: ${shown(then.median)}, ${shown(now.median)}, ${ratio.toFixed(2)} (95th percentile ${shown(then.p95)}, ${shown(now.p95)})${mark}`,
    );
  }
}

/** Takes what another run measured for its own. @param {string} file */
export function take(file) {
  for (const [name, figure] of Object.entries(kept(file))) figures.set(name, figure);
}

/** How often the CPU is slowed. */
export const SLOWER = 4;
/** How often something that begins from nothing is done. */
export const COLD_RUNS = 7;
