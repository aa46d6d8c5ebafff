export * from "./ExportDialog";
export * from "./MusicSheet";
