export * from "./Note";
export * from "./Term";
export * from "./Words";
