import { useCallback, useMemo, useState } from "react";
import { READING_KINDS, type ReadingKind, segmentAt } from "@/core/progression";
import type { Settings } from "@/storage";
import { rankedReading, type Ranks } from "./KindHead";
import type { Stretch } from "./stretch";
import type { ReadCharted } from "./useReadings";

/** The chord in hand, and the other end of the stretch where one is marked. */
interface Chosen {
  readonly at: number;
  readonly anchor: number | undefined;
}

/** What of a chart is in hand: a chord or a stretch, a kind of reading, and which of the best of each kind. */
export function useInHand({ chart, readings }: ReadCharted, bands: Settings["bands"]) {
  const [{ at, anchor }, setChosen] = useState<Chosen>({ at: 0, anchor: undefined });
  const [inHand, setInHand] = useState<ReadingKind>("fewest-turns");
  const [ranks, setRanks] = useState<Ranks>({});

  const last = Math.max(0, chart.chords.length - 1);
  const chosen = Math.min(at, last);
  const stretch = useMemo<Stretch>(() => {
    const other = anchor === undefined ? chosen : Math.min(anchor, last);
    return { at: chosen, from: Math.min(chosen, other), to: Math.max(chosen, other) };
  }, [chosen, anchor, last]);

  const kinds = useMemo(() => (bands === "all" ? READING_KINDS : [bands]), [bands]);
  const kind = bands === "all" ? inHand : bands;
  const shown = useMemo(
    () => kinds.flatMap((each) => rankedReading(readings, each, ranks) ?? []),
    [readings, kinds, ranks],
  );
  const reading = shown.find((each) => each.kind === kind);

  /** Takes a chord in hand; `extends_` marks the stretch from the one before to it. */
  const choose = useCallback(
    (next: number, extends_: boolean) =>
      setChosen((now) => ({ at: next, anchor: extends_ ? (now.anchor ?? now.at) : undefined })),
    [],
  );
  const chooseIn = useCallback(
    (next: ReadingKind, place: number) => {
      setInHand(next);
      choose(place, false);
    },
    [choose],
  );
  const rankKind = useCallback(
    (which: ReadingKind, next: number) => setRanks((now) => ({ ...now, [which]: next })),
    [],
  );
  const rank = (way: 1 | -1) => {
    const all = readings[kind];
    const now = Math.min(ranks[kind] ?? 0, all.length - 1);
    rankKind(kind, Math.max(0, Math.min(all.length - 1, now + way)));
  };
  /** Another text has other readings: the best of each kind is shown, and with another chart its first chord. */
  const startAgain = (isOther: boolean) => {
    setRanks({});
    if (isOther) choose(0, false);
  };
  return {
    chosen,
    last,
    stretch,
    kind,
    shown,
    reading,
    segment: reading && segmentAt(reading, chosen),
    choose,
    chooseIn,
    setInHand,
    rankKind,
    rank,
    startAgain,
    step: (by: 1 | -1) => choose(Math.max(0, Math.min(last, chosen + by)), anchor !== undefined),
    mark: () => setChosen({ at: chosen, anchor: anchor === undefined ? chosen : undefined }),
    nextKind: () => setInHand(kinds[(kinds.indexOf(kind) + 1) % kinds.length] ?? kind),
  };
}
