export * from "./engine";
export * from "./score";
