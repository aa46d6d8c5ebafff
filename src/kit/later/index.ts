export * from "./Boundary";
export * from "./later";
