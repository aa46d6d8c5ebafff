export * from "./Problems";
