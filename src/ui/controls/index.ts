export * from "./Button";
export * from "./Choice";
export * from "./Select";
export * from "./ShadeRow";
export * from "./Tabs";
export * from "./TextField";
export * from "./Toggle";
export * from "./WrittenField";
