export * from "./SaveDialog";
export * from "./ShelfDialog";
export * from "./save-backup";
