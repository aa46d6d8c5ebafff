export { belongs, type Candidate, countUp } from "./candidates";
export * from "./evidence";
export * from "./expectation";
export type { Hearing } from "./hearing";
export * from "./identify";
export * from "./passages";
export * from "./passing";
export * from "./undecided";
