export * from "./to-engrave";
export * from "./Staff";
