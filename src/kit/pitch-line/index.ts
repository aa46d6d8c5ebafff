export * from "./pitch-path";
