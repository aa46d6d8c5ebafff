import type { Settings } from "@/storage";

/** The conventions that decide how a mode is told. */
export type Conventions = Pick<Settings, "reference" | "comparison" | "syllables">;
