import type { BarMeter, ChartBar, Chart, ChartChord } from "@/core/chord";

/** A chart out of a file: its title, and its text as it is typed here. */
export interface FileChart {
  readonly title: string;
  readonly text: string;
}

/** A chord of a bar, its length as a share of the bar. */
type BarShare = Pick<ChartChord, "symbol" | "length">;

/**
 * The chords of a bar as they are typed: side by side where they share it evenly, otherwise with a sign for each beat that
 * a chord goes on for.
 *
 * @example barTokens([{ symbol: "Em9", length: 0.75 }, { symbol: "A13", length: 0.25 }], { beats: 4, unit: 4 }, "/")
 * // "Em9 / / A13"
 */
export function barTokens(chords: readonly BarShare[], meter: BarMeter, goesOn: "/" | "."): string {
  const [first] = chords;
  const isEven = chords.every(({ length }) => Math.abs(length - (first?.length ?? 0)) < 1e-6);
  if (isEven) return chords.map(({ symbol }) => symbol).join(" ");
  return chords
    .flatMap(({ symbol, length }) => {
      const more = Math.max(0, Math.round(length * meter.beats) - 1);
      return [symbol, ...Array.from({ length: more }, () => goesOn)];
    })
    .join(" ");
}

/** What a chart's bars are written with: opening and closing lines, endings, how often, changes of meter. */
export function barLines(
  bars: readonly ChartBar[],
  chords: Chart["chords"],
  goesOn: "/" | ".",
): readonly { readonly bar: ChartBar; readonly text: string }[] {
  return bars.map((bar, at) => {
    const before = bars[at - 1];
    const isNewEnding = bar.endings.length > 0 && bar.endings.join() !== before?.endings.join();
    const next = bars[at + 1];
    const opens = bar.opens ? "|:" : "|";
    const ending = isNewEnding ? `${bar.endings.join(",")}.` : "";
    const meter =
      at === 0 ? bar.meter.beats !== 4 || bar.meter.unit !== 4 : !isSame(bar.meter, before?.meter);
    const times = bar.times > 2 && bar.endings.length === 0 ? ` x${bar.times}` : "";
    const leavesEnding = bar.endings.length > 0 && bar.times === 1 && (next?.endings.length ?? 0) === 0;
    const close = bar.times > 1 ? ` :|${times}` : leavesEnding ? " ||" : "";
    const inside = barTokens(chords.slice(bar.from, bar.to), bar.meter, goesOn);
    return {
      bar,
      text: `${opens}${ending}${meter ? ` ${bar.meter.beats}/${bar.meter.unit}` : ""} ${inside}${close}`,
    };
  });
}

const isSame = (one: BarMeter, other: BarMeter | undefined) =>
  one.beats === other?.beats && one.unit === other.unit;

/** Bars put into lines of four, a new line for each section. */
export function linesOfBars<T extends { readonly bar: Pick<ChartBar, "section"> }>(
  bars: readonly T[],
  most = 4,
): readonly (readonly T[])[] {
  const lines: T[][] = [];
  for (const each of bars) {
    const last = lines.at(-1);
    if (!last || last.length >= most || each.bar.section !== undefined) lines.push([each]);
    else last.push(each);
  }
  return lines;
}

/** Bars in a row, with the line that ends them. */
export function lineText(bars: readonly { readonly text: string }[]): string {
  const text = bars.map((bar) => bar.text).join(" ");
  return /[|\]]$|[x×]\d+$/u.test(text) ? text : `${text} |`;
}
