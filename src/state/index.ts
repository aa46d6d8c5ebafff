export * from "./address";
export * from "./keys";
export * from "./place";
export * from "./selection";
export * from "./settings";
export * from "./shelf";
export * from "./sound";
