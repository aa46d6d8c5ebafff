export * from "./drawing";
export * from "./pages";
export * from "./paper";
export * from "./picture";
export * from "./ModeBlock";
export * from "./PitchStripDrawing";
