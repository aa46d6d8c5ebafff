export * from "./Keyboard";
