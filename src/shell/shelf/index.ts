export * from "./SaveDialog";
export * from "./ShelfDialog";
export { saveBackup } from "./Backup";
