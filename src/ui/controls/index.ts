export * from "./Button";
export * from "./Choice";
export * from "./Select";
export * from "./TextField";
