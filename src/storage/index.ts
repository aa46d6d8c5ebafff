export * from "./backup";
export * from "./records";
export * from "./shelf";
export * from "./store";
