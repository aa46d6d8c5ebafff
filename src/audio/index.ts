export * from "./engine";
export { LOUDEST, PART_SILENT, type PartVolumes, SAFE_VOLUME } from "./instruments";
export type { Playing } from "./perform";
export * from "./render";
export * from "./score";
