export * from "./IdentifyView";
