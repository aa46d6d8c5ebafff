export * from "./tune";
export * from "./respell";
export * from "./laid-out";
export * from "./quantise";
export * from "./heard-line";
export * from "./played";
