export * from "./SheetPage";
export * from "./PracticePage";
