import { readChart } from "../../src/core/chord";
import { fifthsOf, soundOf } from "../../src/core/pitch";
import { analyses } from "../../src/core/progression";
import { TAUGHT_CHARTS, UNSEEN_CHARTS } from "./charts";
import { type KeyChart, madeKeyCharts, STAYING_CHARTS, WRITTEN_KEY_CHARTS, writtenOut } from "./key-charts";
import { plainHomes } from "./plain-keys";

/** How well the keys of charts that change key are found. */
export interface KeyScore {
  /** Shares of chords in their key: of all, and of those in another key than the first. */
  readonly chords: number;
  readonly away: number;
  /** Charts that are wholly right. */
  readonly whole: number;
  readonly of: number;
}

type Finder = (text: string) => readonly number[];

/** The home at each chord by the analyses. */
const found: Finder = (text) => {
  const { value: chart } = readChart(text);
  const { keys } = analyses(chart, { most: 1 });
  return chart.chords.map((_, at) => {
    const key = keys.find(({ from, to }) => at >= from && at <= to);
    return key ? soundOf(key.home) : -1;
  });
};

/** Charts at one, two and four chords a bar. */
export function keyScore(
  charts: readonly KeyChart[],
  bars: readonly number[],
  finder: Finder = found,
): KeyScore {
  const counts = { all: 0, right: 0, away: 0, awayRight: 0, whole: 0, of: 0 };
  for (const chart of charts)
    for (const perBar of bars) {
      const homes = finder(writtenOut(chart, perBar));
      const wanted = chart.keys.map(({ home }) => soundOf(fifthsOf(home)));
      const isRight = wanted.map((home, at) => home === homes[at]);
      counts.all += wanted.length;
      counts.right += isRight.filter(Boolean).length;
      const away = wanted.flatMap((home, at) => (home === wanted[0] ? [] : [isRight[at] === true]));
      counts.away += away.length;
      counts.awayRight += away.filter(Boolean).length;
      counts.whole += isRight.every(Boolean) ? 1 : 0;
      counts.of += 1;
    }
  return {
    chords: counts.right / counts.all,
    away: counts.awayRight / Math.max(1, counts.away),
    whole: counts.whole,
    of: counts.of,
  };
}

/** Charts that stay in one key: how many are told to, and on that home. */
export function stayingScore(finder: Finder = found) {
  const charts: readonly (readonly [string, string])[] = [
    ...[...TAUGHT_CHARTS, ...UNSEEN_CHARTS].map(({ chords, home }) => [chords, home] as const),
    ...STAYING_CHARTS,
  ];
  const homes = charts.map(([chords, home]) => ({
    homes: new Set(finder(chords)),
    home: soundOf(fifthsOf(home)),
  }));
  return {
    one: homes.filter((each) => each.homes.size === 1).length,
    right: homes.filter((each) => each.homes.size === 1 && each.homes.has(each.home)).length,
    of: charts.length,
  };
}

/** Seeds of the charts that the model was looked at with, and of others. */
const SEEN_SEEDS = [5, 77] as const;
export const OTHER_SEEDS = [1234, 999, 31] as const;
const MADE = 60;

/** Charts made from some seeds. */
export const madeFrom = (seeds: readonly number[]): readonly KeyChart[] =>
  seeds.flatMap((seed) => madeKeyCharts(MADE, seed));

/** The keys of charts, beside the plain model. */
export function reportKeys(): string {
  const row = (name: string, { chords, away, whole, of }: KeyScore) =>
    [name.padEnd(52), chords.toFixed(3).padStart(7), away.toFixed(3), `${whole} of ${of}`.padStart(10)].join(
      "  ",
    );
  const sets = [
    ["written by hand, one, two and four chords a bar", WRITTEN_KEY_CHARTS, [1, 2, 4]],
    ["  those whose first key comes back", WRITTEN_KEY_CHARTS.filter(({ returns }) => returns), [1, 2, 4]],
    ["made, looked at while the model was made", madeFrom(SEEN_SEEDS), [1]],
    ["made from other seeds", madeFrom(OTHER_SEEDS), [1]],
    ["  those whose first key comes back", madeFrom(OTHER_SEEDS).filter(({ returns }) => returns), [1]],
  ] as const;
  const [stay, plain] = [stayingScore(), stayingScore(plainHomes)];
  return [
    "",
    `${"keys of charts that change key".padEnd(52)}   chords  away   wholly right`,
    ...sets.flatMap(([name, charts, bars]) => [
      row(name, keyScore(charts, bars)),
      row("    the plain model", keyScore(charts, bars, plainHomes)),
    ]),
    `charts that stay: one key told on ${stay.one} of ${stay.of}, and the right one on ${stay.right} (the plain model ${plain.one}, ${plain.right})`,
  ].join("\n");
}
