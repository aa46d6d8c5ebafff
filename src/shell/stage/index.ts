export * from "./StageIsland";
