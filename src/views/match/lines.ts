import type { ChartChord } from "@/core/chord";

/** A chord of a chart with its place in it. */
export interface Placed {
  readonly at: number;
  readonly each: ChartChord;
}

/**
 * A chart laid out in lines of so many bars, each bar with its chords.
 *
 * @example linesOf(readChart("A B C").value, 2).length // 2
 */
export function linesOf(
  chart: readonly ChartChord[],
  barsPerLine: number,
): readonly (readonly (readonly Placed[])[])[] {
  const bars: Placed[][] = [];
  for (const [at, each] of chart.entries()) {
    const last = bars.at(-1);
    if (last?.[0]?.each.bar === each.bar) last.push({ at, each });
    else bars.push([{ at, each }]);
  }
  const lines: Placed[][][] = [];
  for (let from = 0; from < bars.length; from += barsPerLine)
    lines.push(bars.slice(from, from + barsPerLine));
  return lines;
}
