export * from "./SimulatedKeys";
