export * from "./Panel";
