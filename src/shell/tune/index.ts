export * from "./ExportDialog";
export * from "./MusicSheet";
export * from "./TuneTextArea";
