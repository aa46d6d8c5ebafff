/** Milliseconds after which a tap begins anew, and taps that are remembered. */
const TAPS = { apart: 2200, most: 8 };

/**
 * Taps with another one: the last few that belong together, in milliseconds.
 *
 * @example withTap([0, 500], 1000) // [0, 500, 1000]
 */
export function withTap(taps: readonly number[], now: number): readonly number[] {
  const last = taps.at(-1);
  return last === undefined || now - last > TAPS.apart ? [now] : [...taps, now].slice(-TAPS.most);
}

/**
 * Beats a minute that taps make, from the middle one of their distances, so that one uneven tap does no harm; undefined before the second tap.
 *
 * @example tappedTempo([0, 500, 1000]) // 120
 */
export function tappedTempo(taps: readonly number[]): number | undefined {
  const apart = taps.slice(1).map((tap, at) => tap - (taps[at] ?? 0));
  const sorted = apart.toSorted((a, b) => a - b);
  const [low, high] = [sorted[Math.floor((sorted.length - 1) / 2)], sorted[Math.floor(sorted.length / 2)]];
  if (low === undefined || high === undefined || low + high === 0) return undefined;
  return Math.min(300, Math.max(30, Math.round(120_000 / (low + high))));
}
