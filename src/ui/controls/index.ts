export * from "./Button";
export * from "./Choice";
export * from "./Select";
export * from "./ShadeRow";
export * from "./TextField";
