// @ts-check
/** How figures are told. */

/** @param {readonly number[]} values @param {number} share */
export const quantile = (values, share) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(share * values.length))] ?? NaN;
/** @param {number} ms */
export const shown = (ms) => `${ms.toFixed(1)} ms`;
/** @param {string} name @param {readonly number[]} values */
export const report = (name, values) =>
  console.log(
    `${name}: median ${shown(quantile(values, 0.5))}, 95th percentile ${shown(quantile(values, 0.95))}, worst ${shown(Math.max(...values))} (${values.length} runs)`,
  );

/** How often the CPU is slowed. */
export const SLOWER = 4;
/** How often something that begins from nothing is done. */
export const COLD_RUNS = 7;
