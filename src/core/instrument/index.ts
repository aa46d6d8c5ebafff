export * from "./neck";
