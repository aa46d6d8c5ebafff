export * from "./Boundary";
export * from "./later";
export * from "./laterDialog";
export * from "./Waiting";
