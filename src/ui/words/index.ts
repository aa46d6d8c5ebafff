export * from "./derive";
export * from "./identify";
export * from "./match";
export * from "./names";
export * from "./problems";
export * from "./Words";
