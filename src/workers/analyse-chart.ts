import { readChart } from "@/core/chord";
import { type ChartAnalysis, analyses, type Analyses, ANALYSIS_KINDS } from "@/core/progression";
import { CATALOGUE, mode, modesOfFamilies } from "@/core/scale";
import type { AnalysisJobs, AnalysesAsked, SentAnalysis, SentAnalyses } from "./messages";

/** Modes cross by id, since identity does not. */
const sent = ({ segments, cost }: ChartAnalysis): SentAnalysis => ({
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
export function read({ text, families, most }: AnalysesAsked): SentAnalyses {
  const found = analyses(readChart(text).value, {
    scales: families ? modesOfFamilies(families) : CATALOGUE,
    most,
  });
  return {
    "fewest-changes": found["fewest-changes"].map(sent),
    "one-mode": found["one-mode"].map(sent),
    "chord-by-chord": found["chord-by-chord"].map(sent),
    keys: found.keys,
  };
}

/** Analyses as they came from the worker, with their modes again. */
export function received(answer: SentAnalyses): Analyses {
  const of = (kind: (typeof ANALYSIS_KINDS)[number]) =>
    answer[kind].map(({ segments, cost }): ChartAnalysis => ({
      kind,
      cost,
      segments: segments.map(({ home, mode: id, ...segment }) => ({
        ...segment,
        homeMode: { home, mode: mode(id) },
      })),
    }));
  return {
    "fewest-changes": of("fewest-changes"),
    "one-mode": of("one-mode"),
    "chord-by-chord": of("chord-by-chord"),
    keys: answer.keys,
  };
}

export const analysisJobs: AnalysisJobs = { read };
