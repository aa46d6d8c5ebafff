import type { Chart, ChartBar, ChartChord } from "@/core/chord";
import type { AnalysisKind, ChartAnalysis, Segment } from "@/core/progression";

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

/** Chords one after another that belong together: a segment of an analysis, a key. */
type Stretch = Pick<Segment, "from" | "to">;

/** A part of a segment that stands in one line: its chords, and where it lies as shares of the line. */
export interface Run<S extends Stretch = Segment> {
  readonly segment: S;
  readonly chords: readonly Placed[];
  readonly left: number;
  readonly width: number;
  /** The segment begins here, and not in a line before. */
  readonly begins: boolean;
}

/**
 * The segments of an analysis, or the keys, as they lie in a line.
 *
 * @param columns bars that a whole line has
 */
export function runsOf<S extends Stretch>(
  { segments }: { readonly segments: readonly S[] },
  line: readonly LaidBar[],
  columns: number,
): readonly Run<S>[] {
  const places = line.flatMap(({ chords }, column) => {
    let begins = column;
    return chords.map((placed) => {
      const left = begins;
      begins += placed.each.length;
      return { placed, left, right: begins };
    });
  });
  return segments.flatMap((segment) => {
    const inSegment = places.filter(({ placed }) => placed.at >= segment.from && placed.at <= segment.to);
    const [first] = inSegment;
    const last = inSegment.at(-1);
    if (!first || !last) return [];
    return [
      {
        segment,
        chords: inSegment.map(({ placed }) => placed),
        left: first.left / columns,
        width: (last.right - first.left) / columns,
        begins: first.placed.at === segment.from,
      },
    ];
  });
}

/** An analysis that stands for all kinds that come to the same. */
export interface Alike {
  readonly analysis: ChartAnalysis;
  readonly kinds: readonly AnalysisKind[];
}

const sayTheSame = (one: ChartAnalysis, other: ChartAnalysis): boolean =>
  one.segments.length === other.segments.length &&
  one.segments.every(({ from, to, homeMode: { home, mode } }, at) => {
    const there = other.segments[at];
    return (
      there?.from === from && there.to === to && there.homeMode.home === home && there.homeMode.mode === mode
    );
  });

/**
 * Analyses that come to the same stand together, in one band; among them the selected one stands for all.
 *
 * @example alikeTogether([fewestChanges, oneMode, chordByChord], "one-mode").length // 1 where E Dorian is the answer of all three
 */
export function alikeTogether(shown: readonly ChartAnalysis[], selected: AnalysisKind): readonly Alike[] {
  const groups: ChartAnalysis[][] = [];
  for (const analysis of shown) {
    const alike = groups.find(([first]) => first && sayTheSame(first, analysis));
    if (alike) alike.push(analysis);
    else groups.push([analysis]);
  }
  return groups.flatMap((group) => {
    const analysis = group.find(({ kind }) => kind === selected) ?? group[0];
    return analysis ? [{ analysis, kinds: group.map(({ kind }) => kind) }] : [];
  });
}
