export * from "./move";
export * from "./melody";
export * from "./range";
