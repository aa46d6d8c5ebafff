export * from "./Acts";
export * from "./Panel";
