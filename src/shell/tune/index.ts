export * from "./dialogs";
export type { Tablature } from "./MusicSheet";
export * from "./ShownBars";
export * from "./TuneTextArea";
