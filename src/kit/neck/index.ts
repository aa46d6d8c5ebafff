export * from "./geometry";
export * from "./Neck";
