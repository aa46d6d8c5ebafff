export * from "./Stage";
