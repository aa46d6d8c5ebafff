export * from "./Staff";
