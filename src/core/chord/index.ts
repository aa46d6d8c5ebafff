export * from "./chart";
export * from "./chord";
export * from "./of-mode";
export * from "./read";
