export * from "./PracticeBar";
