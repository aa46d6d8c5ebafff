import type { Chart, ChartBar, ChartChord } from "@/core/chord";
import type { ChartAnalysis, Segment } from "@/core/progression";

/** A chord of a chart with its place in it. */
export interface Placed {
  readonly at: number;
  readonly each: ChartChord;
}

/** A bar as it is laid out, with its chords. */
export interface LaidBar {
  readonly bar: ChartBar;
  readonly chords: readonly Placed[];
}

/**
 * A chart laid out in lines of so many bars at most; a section begins a line of its own.
 *
 * @example linesOf(readChart("A B C").value, 2).length // 2
 */
export function linesOf(
  { bars, chords }: Pick<Chart, "bars" | "chords">,
  barsPerLine: number,
): readonly (readonly LaidBar[])[] {
  const lines: LaidBar[][] = [];
  for (const bar of bars) {
    const laid = {
      bar,
      chords: chords.slice(bar.from, bar.to).map((each, n) => ({ at: bar.from + n, each })),
    };
    const last = lines.at(-1);
    if (!last || last.length >= barsPerLine || bar.section !== undefined) lines.push([laid]);
    else last.push(laid);
  }
  return lines;
}

/** A part of a segment that stands in one line: its chords, and where it lies as shares of the line. */
export interface Run {
  readonly segment: Segment;
  readonly chords: readonly Placed[];
  readonly left: number;
  readonly width: number;
  /** The segment begins here, and not in a line before. */
  readonly begins: boolean;
}

/**
 * The segments of an analysis as they lie in a line.
 *
 * @param columns bars that a whole line has
 */
export function runsOf(
  { segments }: ChartAnalysis,
  line: readonly LaidBar[],
  columns: number,
): readonly Run[] {
  const places = line.flatMap(({ chords }, column) => {
    let begins = column;
    return chords.map((placed) => {
      const left = begins;
      begins += placed.each.length;
      return { placed, left, right: begins };
    });
  });
  return segments.flatMap((segment) => {
    const own = places.filter(({ placed }) => placed.at >= segment.from && placed.at <= segment.to);
    const [first] = own;
    const last = own.at(-1);
    if (!first || !last) return [];
    return [
      {
        segment,
        chords: own.map(({ placed }) => placed),
        left: first.left / columns,
        width: (last.right - first.left) / columns,
        begins: first.placed.at === segment.from,
      },
    ];
  });
}
