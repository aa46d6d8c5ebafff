export * from "./fifths";
export * from "./interval";
export * from "./pitch";
