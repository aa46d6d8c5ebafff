export * from "./play-vamp";
export * from "./selected-chords";
export { SelectedPanel } from "./SelectedPanel";
export { SelectButton } from "./SelectButton";
