import { readChart } from "../../src/core/chord";
import { type ChartAnalysis, analyses } from "../../src/core/progression";
import { fifthsOf, soundOf } from "../../src/core/pitch";
import { TAUGHT_CHARTS, type TaughtChart, UNSEEN_CHARTS } from "./charts";

/** How often charts came out as a teacher has them. */
export interface ChartScore {
  readonly charts: number;
  /** The home of the leading one mode. */
  readonly home: number;
  /** Its mode too, of those whose mode is beyond dispute; undefined where there are none. */
  readonly mode: number | undefined;
  /** The bars of the fewest changes that are on that home. */
  readonly bars: number;
}

interface Told {
  readonly isHome: boolean;
  readonly isMode: boolean | undefined;
  readonly bars: number;
}

function told({ chords, home, mode }: TaughtChart): Told {
  const chart = readChart(chords).value;
  const found = analyses(chart, { most: 1 });
  const sound = soundOf(fifthsOf(home));
  const isOn = (each: ChartAnalysis["segments"][number] | undefined) =>
    each !== undefined && soundOf(each.homeMode.home) === sound;
  const [one] = found["one-mode"][0]?.segments ?? [];
  const barsOf = (from: number, to: number) =>
    chart.chords.slice(from, to + 1).reduce((sum, { length, times }) => sum + length * times, 0);
  const segments = found["fewest-changes"][0]?.segments ?? [];
  const own = segments.filter(isOn).reduce((sum, { from, to }) => sum + barsOf(from, to), 0);
  return {
    isHome: isOn(one),
    isMode: mode === undefined ? undefined : isOn(one) && one?.homeMode.mode.id === mode,
    bars: own / barsOf(0, chart.chords.length - 1),
  };
}

export function chartScore(charts: readonly TaughtChart[]): ChartScore {
  const all = charts.map(told);
  const withMode = all.filter(({ isMode }) => isMode !== undefined);
  return {
    charts: charts.length,
    home: all.filter(({ isHome }) => isHome).length / all.length,
    mode:
      withMode.length === 0 ? undefined : withMode.filter(({ isMode }) => isMode).length / withMode.length,
    bars: all.reduce((sum, { bars }) => sum + bars, 0) / all.length,
  };
}

/** The figures of charts as a table, each kind for itself, and those that came out otherwise by name. */
export function reportCharts(): string {
  const row = (name: string, charts: readonly TaughtChart[]) => {
    const { charts: count, home, mode, bars } = chartScore(charts);
    return [
      name.padEnd(52),
      String(count).padStart(5),
      home.toFixed(3),
      mode === undefined ? "    -" : mode.toFixed(3),
      bars.toFixed(3),
    ].join("  ");
  };
  const kinds = [...new Set(UNSEEN_CHARTS.map(({ kind }) => kind))];
  const missed = [...TAUGHT_CHARTS, ...UNSEEN_CHARTS].filter((each) => !told(each).isHome);
  return [
    "",
    `${"charts: one mode, and bars of the fewest changes".padEnd(52)}  charts home   mode   bars on home`,
    row("looked at while the model of home was made", TAUGHT_CHARTS),
    row("written afterwards", UNSEEN_CHARTS),
    ...kinds.map((kind) =>
      row(
        `  ${kind}`,
        UNSEEN_CHARTS.filter((each) => each.kind === kind),
      ),
    ),
    ...(missed.length === 0 ? [] : ["another home was found for:"]),
    ...missed.map(({ chords, home }) => `  ${chords}  (${home})`),
  ].join("\n");
}
