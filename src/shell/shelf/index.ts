export * from "./SaveDialog";
export * from "./open";
export * from "./ShelfDialog";
export { saveBackup } from "./Backup";
