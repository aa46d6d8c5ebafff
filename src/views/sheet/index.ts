export * from "./SheetPage";
