import { atom, computed } from "nanostores";
import {
  type ChartAnalysis,
  ANALYSIS_KINDS,
  type AnalysisKind,
  type Analyses,
  type Segment,
  segmentAt,
} from "@/core/progression";
import { $place, $settings, placeOf, setQuery } from "@/session";
import { $analysed } from "./analysed";
import { MATCH } from "./route";
import type { ChordRange } from "./range";

/** Which of the best analyses of each kind is shown, from 0. */
type Ranks = Readonly<Partial<Record<AnalysisKind, number>>>;

/** The analysis of a kind at a rank, the last one where there are fewer. */
function rankedAnalysis(analyses: Analyses, kind: AnalysisKind, ranks: Ranks): ChartAnalysis | undefined {
  const all = analyses[kind];
  return all[Math.min(ranks[kind] ?? 0, all.length - 1)];
}

/** What of a chart is selected: a chord or a range, a kind of analysis, and which of the best of each kind. */
export interface SelectedInChart {
  readonly chosen: number;
  /** The last place of the chart. */
  readonly last: number;
  readonly range: ChordRange;
  readonly kind: AnalysisKind;
  /** The analyses that stand under the chords. */
  readonly shown: readonly ChartAnalysis[];
  /** The one of the selected kind, and its segment at the selected chord. */
  readonly analysis: ChartAnalysis | undefined;
  readonly segment: Segment | undefined;
}

/** The place that a number in the address means. */
const placeIn = (word: string | undefined): number | undefined => {
  const number = Number(word);
  return word !== undefined && Number.isInteger(number) && number > 0 ? number - 1 : undefined;
};
const wordOf = (place: number | undefined) => (place === undefined ? undefined : String(place + 1));

/** The chord, the other end of a marked range and the kind stand in the address: "chord=5&mark=8&by=one-mode". */
const $chord = computed($place, (place) => placeIn(placeOf(MATCH, place).query.chord) ?? 0);
const $anchor = computed($place, (place) => placeIn(placeOf(MATCH, place).query.mark));
const $kind = computed(
  $place,
  (place): AnalysisKind => ANALYSIS_KINDS.find((kind) => kind === placeOf(MATCH, place).query.by) ?? FIRST,
);
const [FIRST] = ANALYSIS_KINDS;

/** Which of the best of each kind is shown; another text has other analyses. */
const $chosenRanks = atom<{ readonly of: string; readonly ranks: Ranks }>({ of: "", ranks: {} });
const NO_RANKS: Ranks = {};
const $ranks = computed([$chosenRanks, $analysed], ({ of, ranks }, { text }) =>
  of === text ? ranks : NO_RANKS,
);

const $bands = computed($settings, ({ bands }) => bands);
const $kinds = computed($bands, (bands) => (bands === "all" ? ANALYSIS_KINDS : [bands]));
const $shown = computed([$analysed, $kinds, $ranks], ({ analyses }, kinds, ranks) =>
  kinds.flatMap((each) => rankedAnalysis(analyses, each, ranks) ?? []),
);

const $last = computed($analysed, ({ chart }) => Math.max(0, chart.chords.length - 1));

const $range = computed([$chord, $anchor, $last], (chord, anchor, last): ChordRange => {
  const at = Math.min(chord, last);
  const other = anchor === undefined ? at : Math.min(anchor, last);
  return { at, from: Math.min(at, other), to: Math.max(at, other) };
});

export const $selected = computed(
  [$range, $last, $bands, $kind, $shown],
  (range, last, bands, wanted, shown): SelectedInChart => {
    const kind = bands === "all" ? wanted : bands;
    const analysis = shown.find((each) => each.kind === kind);
    return {
      chosen: range.at,
      last,
      range,
      kind,
      shown,
      analysis,
      segment: analysis && segmentAt(analysis, range.at),
    };
  },
);

/** Selects a chord; `extends_` marks the range from the one before to it. */
export function choose(next: number, extends_: boolean): void {
  const anchor = extends_ ? ($anchor.get() ?? $range.get().at) : undefined;
  setQuery(MATCH, { chord: next === 0 ? undefined : wordOf(next), mark: wordOf(anchor) });
}

/** Selects the chord before or after; a range that is marked goes along. */
export const step = (by: 1 | -1): void =>
  choose(Math.max(0, Math.min($last.get(), $range.get().at + by)), $anchor.get() !== undefined);

/** Begins a range at the selected chord, or ends it. */
export const mark = (): void =>
  setQuery(MATCH, { mark: $anchor.get() === undefined ? wordOf($range.get().at) : undefined });

/** Selects a kind of analysis. */
export const setKind = (kind: AnalysisKind): void =>
  setQuery(MATCH, { by: kind === FIRST ? undefined : kind });

export function nextKind(): void {
  const kinds = $kinds.get();
  const { kind } = $selected.get();
  setKind(kinds[(kinds.indexOf(kind) + 1) % kinds.length] ?? kind);
}

export function chooseIn(kind: AnalysisKind, place: number): void {
  setKind(kind);
  choose(place, false);
}

/** Shows another of the best analyses of a kind. */
export const rankKind = (kind: AnalysisKind, rank: number): void =>
  $chosenRanks.set({ of: $analysed.get().text, ranks: { ...$ranks.get(), [kind]: rank } });

export function rank(way: 1 | -1): void {
  const { kind } = $selected.get();
  const { length } = $analysed.get().analyses[kind];
  const now = Math.min($ranks.get()[kind] ?? 0, length - 1);
  rankKind(kind, Math.max(0, Math.min(length - 1, now + way)));
}
