export * from "./fifths";
export * from "./interval";
export * from "./pitch";
export * from "./naming";
