export * from "./Fold";
export * from "./Panel";
