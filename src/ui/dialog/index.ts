export * from "./Dialog";
