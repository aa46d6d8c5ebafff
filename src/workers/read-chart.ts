import { readChart } from "@/core/chord";
import { type ChartReading, readings, type Readings, READING_KINDS } from "@/core/progression";
import { CATALOGUE, mode, modesOfFamilies } from "@/core/scale";
import type { ReadingJobs, ReadingsAsked, SentReading, SentReadings } from "./messages";

/** Modes cross by id, since identity does not. */
const sent = ({ segments, cost }: ChartReading): SentReading => ({
  cost,
  segments: segments.map(({ homeMode, ...segment }) => ({
    ...segment,
    home: homeMode.home,
    mode: homeMode.mode.id,
  })),
});

/**
 * Reads a chart off the main thread.
 *
 * @example read({ text: "| Em9 | A13 |", families: ["major"], most: 5 })["one-mode"][0].segments[0].mode // "dorian"
 */
export function read({ text, families, most }: ReadingsAsked): SentReadings {
  const found = readings(readChart(text).value, {
    scales: families ? modesOfFamilies(families) : CATALOGUE,
    most,
  });
  return {
    "fewest-turns": found["fewest-turns"].map(sent),
    "one-mode": found["one-mode"].map(sent),
    "chord-by-chord": found["chord-by-chord"].map(sent),
  };
}

/** Readings as they came from the worker, with their modes again. */
export function received(answer: SentReadings): Readings {
  const of = (kind: (typeof READING_KINDS)[number]) =>
    answer[kind].map(({ segments, cost }): ChartReading => ({
      kind,
      cost,
      segments: segments.map(({ home, mode: id, ...segment }) => ({
        ...segment,
        homeMode: { home, mode: mode(id) },
      })),
    }));
  return {
    "fewest-turns": of("fewest-turns"),
    "one-mode": of("one-mode"),
    "chord-by-chord": of("chord-by-chord"),
  };
}

export const readingJobs: ReadingJobs = { read };
