export * from "./alternating";
export * from "./backing";
export * from "./chart-score";
export * from "./ear-score";
export * from "./engine";
export {
  LOUDEST,
  partLevel,
  PART_SILENT,
  type PartSounds,
  SAFE_VOLUME,
  USUAL_SOUNDS,
} from "./instruments";
export * from "./metronome";
export { placed } from "./placed";
export type { Playing } from "./plan";
export * from "./render";
export * from "./score";
export * from "./tune-score";
