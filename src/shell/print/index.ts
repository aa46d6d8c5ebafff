export * from "./ModesSheet";
export * from "./PaperChoice";
