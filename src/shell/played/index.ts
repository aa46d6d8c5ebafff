export * from "./SimulatedKeys";
export * from "./Sources";
