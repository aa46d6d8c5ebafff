/** What becomes of a note whose degree the new mode hasn't: it goes to the nearest note there, falls out, or the note before is held over it. */
export const MISSING_RULES = ["nearest", "drop", "hold"] as const;
export type MissingRule = (typeof MISSING_RULES)[number];

/**
 * What becomes of a note outside the mode. It keeps its distance from the degree that it alters, and its sound where that would make it
 * another note of the new mode or where the new mode has it as it is; or it keeps its sound above home; or it becomes the mode's note on
 * its letter.
 */
export const CHROMATIC_RULES = ["distance", "sound", "mode"] as const;
export type ChromaticRule = (typeof CHROMATIC_RULES)[number];
