export * from "./neck";
export * from "./fingering";
