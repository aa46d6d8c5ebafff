export { countUp } from "./candidates";
export * from "./evidence";
export * from "./expectation";
export * from "./identify";
export * from "./passages";
export * from "./passing";
export * from "./undecided";
