export * from "./TopBar";
