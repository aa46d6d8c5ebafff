export * from "./derive";
export * from "./endpoints";
export * from "./identify";
export * from "./reshape";
export * from "./match";
export * from "./openapi";
export * from "./neck";
export * from "./shapes";
