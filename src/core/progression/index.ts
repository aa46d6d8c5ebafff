export * from "./decide";
export * from "./fit";
export * from "./home";
export * from "./one-mode";
