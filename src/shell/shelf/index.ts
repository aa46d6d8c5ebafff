export * from "./KeepDialog";
export * from "./open";
export * from "./ShelfDialog";
