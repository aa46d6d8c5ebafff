export * from "./players";
export * from "./microphone";
export * from "./midi";
export * from "./simulated-keyboard";
