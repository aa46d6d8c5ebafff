export * from "./Term";
export * from "./Words";
