export * from "./Acts";
export * from "./OwnWords";
export * from "./ConventionSelects";
export * from "./HandyVoicings";
