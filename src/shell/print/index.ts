export * from "./PaperChoice";
export * from "./PrintSheet";
export * from "./positions";
