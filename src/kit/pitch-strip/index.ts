export * from "./PitchStrip";
export * from "./ChordStrip";
export * from "./HeightStrip";
export * from "./cells";
export * from "./StripEditor";
