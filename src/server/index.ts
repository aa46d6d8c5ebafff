export * from "./derive";
export * from "./identify";
export * from "./match";
