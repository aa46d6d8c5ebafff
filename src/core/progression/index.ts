export * from "./decide";
export * from "./fit";
export * from "./guide-tones";
export { keyAreas } from "./key-areas";
export type { Key } from "./keys";
export * from "./home";
export { kindOf } from "./home-rows";
export * from "./outside";
export {
  type ChartAnalysis,
  fewestChanges,
  oneModeAnalyses,
  type OutsideNote,
  outsideOf,
  type Segment,
  segmentAt,
} from "./analyses";
export { type Analyses, analyses, NO_ANALYSES } from "./chart-analyses";
export * from "./analysis-kind";
export * from "./simple-scale";
export * from "./stand-ins";
export * from "./changes";
export * from "./vamps";
export * from "./written";
