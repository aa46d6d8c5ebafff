export * from "./candidates";
export * from "./hearing";
export * from "./identify";
export * from "./passages";
export * from "./evidence";
