export * from "./held";
export { HeldPanel } from "./HeldPanel";
export { Hold } from "./Hold";
