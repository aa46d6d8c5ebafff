/** What music comes in as. Stands by itself, so that what only keeps tunes loads no reader. */
export const TUNE_SOURCES = ["abc", "notes", "musicxml", "midi"] as const;
export type TuneSource = (typeof TUNE_SOURCES)[number];

/** How notes came to be written that nobody typed. */
export const TUNE_ORIGINS = ["played", "recorded"] as const;
export type TuneOrigin = (typeof TUNE_ORIGINS)[number];
