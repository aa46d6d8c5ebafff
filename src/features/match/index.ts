export * from "./MatchView";
