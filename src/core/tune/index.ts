export * from "./tune";
