export * from "./arrange";
export * from "./chords";
export * from "./harmony";
export * from "./ladder";
export * from "./melody";
export * from "./move";
export * from "./range";
export * from "./reshape";
