export * from "./DeriveView";
