/** The three ways to read a chart. */
export const ANALYSIS_KINDS = ["fewest-changes", "one-mode", "chord-by-chord"] as const;
export type AnalysisKind = (typeof ANALYSIS_KINDS)[number];
