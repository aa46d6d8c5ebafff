/** What becomes of a note whose degree the new mode hasn't: it goes to the nearest note there, falls out, or the note before is held over it. */
export const MISSING_RULES = ["nearest", "drop", "hold"] as const;
export type MissingRule = (typeof MISSING_RULES)[number];
