export { belongs, type Candidate, countUp } from "./candidates";
export * from "./evidence";
export type { Hearing } from "./hearing";
export * from "./identify";
export * from "./passages";
export * from "./passing";
export { EXPECTATIONS, type Expectation } from "./score";
export * from "./undecided";
