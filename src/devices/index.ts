export * from "./fiddle";
export * from "./microphone";
export * from "./midi";
export * from "./simulated-keyboard";
