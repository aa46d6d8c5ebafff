export * from "./Legend";
