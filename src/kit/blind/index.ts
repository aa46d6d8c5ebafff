export * from "./Blind";
export * from "./ChordBlind";
export * from "./HeightBlind";
export * from "./slats";
export * from "./SlatEditor";
