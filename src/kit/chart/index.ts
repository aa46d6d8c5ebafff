export * from "./Chart";
