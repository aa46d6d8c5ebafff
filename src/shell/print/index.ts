export * from "./ModesSheet";
export * from "./PaperChoice";
export { troubleText } from "./PrintSheet";
