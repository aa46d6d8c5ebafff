/** What Find does with what it found. */
export const FIND_CHORDS = "Match: find the mode for these chords";
export const FIND_CHORD = "Match: find the modes for this chord";
export const FIND_TUNE = "Identify: find the mode of these notes";
export const FIND_MODE = "Derive";

export const FIND_SAYS =
  "Type a mode (F♯ Locrian), chords (Em9 A13), a chord by name (dominant seven), degrees (1 ♭2 3), notes, or the title of something you saved. Enter opens the first line.";

/** Nothing was found for a text, and what would do. */
export const findNothingText = (text: string): string =>
  `Nothing found for “${text.slice(0, 60)}”. Try part of a name such as lyd or ♭6, a note and a name such as Eb dorian, or degrees or notes with spaces between.`;

/** Above the things to try first. */
export const FIRST_STEPS = "New here? Try one of these:";
