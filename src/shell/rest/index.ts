export * from "./BarAtRest";
export * from "./rest";
export * from "./StageAtRest";
export * from "./ViewAtRest";
