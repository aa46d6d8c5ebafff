/** The media types that come and go, each written once. */
export const ABC = "text/vnd.abc";
export const MUSICXML = "application/vnd.recordare.musicxml+xml";
export const MIDI = "audio/midi";
/** One line of JSON a tune. */
export const NDJSON = "application/x-ndjson";

/** Plain text is what a script sends that knows no better: ABC where it has a field of ABC, otherwise typed notes. */
export const PLAIN = "text/plain";

/** Kinds of bodies that hold tunes, JSON apart; what is no text is told by its content. */
export const TUNE_CONTENTS = {
  [ABC]: "text",
  [PLAIN]: "text",
  [MUSICXML]: "text",
  "application/vnd.recordare.musicxml": "bytes",
  "application/xml": "text",
  "text/xml": "text",
  [MIDI]: "bytes",
  "audio/x-midi": "bytes",
  "audio/mid": "bytes",
} as const;

export const TUNE_KINDS: readonly string[] = Object.keys(TUNE_CONTENTS);
