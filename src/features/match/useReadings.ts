import { useEffect, useMemo, useState } from "react";
import { type Chart, readChart } from "@/core/chord";
import type { Problem } from "@/core/problem";
import type { Readings } from "@/core/progression";
import { readReadings } from "@/workers";
import type { TypedChart } from "./useTypedChart";

/** Readings of each kind that are found. */
const MOST = 5;

const NONE: Readings = { "fewest-turns": [], "one-mode": [], "chord-by-chord": [] };

/** A chart with its readings: they belong together, so both are of the same text. */
export interface ReadCharted {
  readonly text: string;
  readonly chart: Chart;
  readonly readings: Readings;
}

/** What came of a text: the chart and its readings, and what is not understood of what is typed now. */
export interface ReadNow extends ReadCharted {
  readonly problems: readonly Problem[];
  /** The readings are of an earlier text; the new ones are being found. */
  readonly isBehind: boolean;
}

/**
 * Reads a text at every change, in a worker, and its chords as they are shown, in the user's note names; the last readings stay with their
 * chart until the next are there.
 */
export function useReadings(
  text: string,
  { shown, naming }: Pick<TypedChart, "shown" | "naming">,
  families: readonly string[],
): ReadNow {
  const now = useMemo(() => readChart(shown, naming), [shown, naming]);
  const [read, setRead] = useState<ReadCharted>({ text: "", chart: EMPTY, readings: NONE });
  const key = families.join(" ");
  useEffect(() => {
    let isCurrent = true;
    const asked = { text, families: key.split(" "), most: MOST };
    void readReadings(asked).then((readings) => {
      if (isCurrent && readings) setRead({ text, chart: now.value, readings });
    });
    return () => {
      isCurrent = false;
    };
  }, [text, key, now]);
  return { ...read, problems: now.problems, isBehind: read.text !== text };
}

const EMPTY: Chart = { chords: [], bars: [], order: [] };
