export * from "./Dialog";
export * from "./Setting";
