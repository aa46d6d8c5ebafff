import { atom, computed } from "nanostores";
import {
  type ChartReading,
  READING_KINDS,
  type ReadingKind,
  type Readings,
  type Segment,
  segmentAt,
} from "@/core/progression";
import { $place, $settings, chartDocument, placeOf, setQuery } from "@/session";
import { $charted } from "./read";
import { MATCH } from "./route";
import type { Stretch } from "./stretch";

/** Which of the best readings of each kind is shown, from 0. */
type Ranks = Readonly<Partial<Record<ReadingKind, number>>>;

/** The reading of a kind at a rank, the last where there are not so many. */
function rankedReading(readings: Readings, kind: ReadingKind, ranks: Ranks): ChartReading | undefined {
  const all = readings[kind];
  return all[Math.min(ranks[kind] ?? 0, all.length - 1)];
}

/** What of a chart is in hand: a chord or a stretch, a kind of reading, and which of the best of each kind. */
export interface InHand {
  readonly chosen: number;
  /** The last place of the chart. */
  readonly last: number;
  readonly stretch: Stretch;
  readonly kind: ReadingKind;
  /** The readings that stand under the chords. */
  readonly shown: readonly ChartReading[];
  /** The one of the kind in hand, and its segment at the chord in hand. */
  readonly reading: ChartReading | undefined;
  readonly segment: Segment | undefined;
}

/** The chord and the kind stand in the address: "chord=5&by=one-mode". */
const $chord = computed($place, (place) => {
  const number = Number(placeOf(MATCH, place).query.chord);
  return Number.isInteger(number) ? Math.max(0, number - 1) : 0;
});
const $kind = computed(
  $place,
  (place): ReadingKind => READING_KINDS.find((kind) => kind === placeOf(MATCH, place).query.by) ?? FIRST,
);
const [FIRST] = READING_KINDS;

/** The other end of a stretch that is marked in a document. */
const $mark = atom<{ readonly of: string; readonly at: number } | undefined>();
const $anchor = computed([$mark, chartDocument.$id], (mark, id) => (mark?.of === id ? mark.at : undefined));

/** Which of the best of each kind is shown; another text has other readings. */
const $chosenRanks = atom<{ readonly of: string; readonly ranks: Ranks }>({ of: "", ranks: {} });
const NO_RANKS: Ranks = {};
const $ranks = computed([$chosenRanks, $charted], ({ of, ranks }, { text }) =>
  of === text ? ranks : NO_RANKS,
);

const $bands = computed($settings, ({ bands }) => bands);
const $kinds = computed($bands, (bands) => (bands === "all" ? READING_KINDS : [bands]));
const $shown = computed([$charted, $kinds, $ranks], ({ readings }, kinds, ranks) =>
  kinds.flatMap((each) => rankedReading(readings, each, ranks) ?? []),
);

const $last = computed($charted, ({ chart }) => Math.max(0, chart.chords.length - 1));

const $stretch = computed([$chord, $anchor, $last], (chord, anchor, last): Stretch => {
  const at = Math.min(chord, last);
  const other = anchor === undefined ? at : Math.min(anchor, last);
  return { at, from: Math.min(at, other), to: Math.max(at, other) };
});

export const $inHand = computed(
  [$stretch, $last, $bands, $kind, $shown],
  (stretch, last, bands, wanted, shown): InHand => {
    const kind = bands === "all" ? wanted : bands;
    const reading = shown.find((each) => each.kind === kind);
    return {
      chosen: stretch.at,
      last,
      stretch,
      kind,
      shown,
      reading,
      segment: reading && segmentAt(reading, stretch.at),
    };
  },
);

/** Takes a chord in hand; `extends_` marks the stretch from the one before to it. */
export function choose(next: number, extends_: boolean): void {
  const anchor = extends_ ? ($anchor.get() ?? $stretch.get().at) : undefined;
  setMark(anchor);
  setQuery(MATCH, { chord: next === 0 ? undefined : String(next + 1) });
}

function setMark(at: number | undefined): void {
  if (at !== $anchor.get()) $mark.set(at === undefined ? undefined : { of: chartDocument.$id.get(), at });
}

/** Takes the chord before or after in hand; a stretch that is marked goes along. */
export const step = (by: 1 | -1): void =>
  choose(Math.max(0, Math.min($last.get(), $stretch.get().at + by)), $anchor.get() !== undefined);

/** Begins a stretch at the chord in hand, or ends it. */
export const mark = (): void => setMark($anchor.get() === undefined ? $stretch.get().at : undefined);

/** Takes a kind of reading in hand. */
export const setKind = (kind: ReadingKind): void =>
  setQuery(MATCH, { by: kind === FIRST ? undefined : kind });

export function nextKind(): void {
  const kinds = $kinds.get();
  const { kind } = $inHand.get();
  setKind(kinds[(kinds.indexOf(kind) + 1) % kinds.length] ?? kind);
}

export function chooseIn(kind: ReadingKind, place: number): void {
  setKind(kind);
  choose(place, false);
}

/** Shows another of the best readings of a kind. */
export const rankKind = (kind: ReadingKind, rank: number): void =>
  $chosenRanks.set({ of: $charted.get().text, ranks: { ...$ranks.get(), [kind]: rank } });

export function rank(way: 1 | -1): void {
  const { kind } = $inHand.get();
  const { length } = $charted.get().readings[kind];
  const now = Math.min($ranks.get()[kind] ?? 0, length - 1);
  rankKind(kind, Math.max(0, Math.min(length - 1, now + way)));
}
