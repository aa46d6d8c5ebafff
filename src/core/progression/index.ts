export * from "./decide";
export * from "./fit";
export * from "./guide-tones";
export * from "./home";
export * from "./outside";
export * from "./plain-way";
export * from "./readings";
export type { ReadingChoice } from "./states";
export * from "./turns";
