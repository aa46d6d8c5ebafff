export * from "./ExportDialog";
export * from "./MusicSheet";
export * from "./ShownBars";
export * from "./TuneTextArea";
