import { CATALOGUE } from "@/core/scale";

/** The names that a field for a mode suggests. */
export const MODE_NAMES: readonly string[] = CATALOGUE.map(({ name }) => name);
