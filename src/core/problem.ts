/**
 * Something a reader could not take, as plain data: where it stands, what was found and what would do. The sentence is
 * written elsewhere. Offsets count UTF-16 units from the start of the text that was read.
 */
export interface Problem {
  readonly code: ProblemCode;
  readonly offset: number;
  readonly length: number;
  readonly found: string;
  readonly expected?: string;
}

export type ProblemCode =
  | "chord-unread"
  | "bass-unread"
  | "repeat-of-nothing"
  | "lock-unread"
  | "kind-of-file"
  | "file-too-large"
  | "no-chords"
  | "more-songs"
  | "xml-unread"
  | "kind-unread"
  | "midi-unread"
  | "tracks-torn"
  | "film-time"
  | "reading-stopped"
  | "reading-too-long"
  | "no-key"
  | "too-many-voices"
  | "quarter-tones"
  | "note-too-long"
  | "note-unread"
  | "length-unread"
  | "abc-unread"
  | "no-tune"
  | "no-notes"
  | "not-music"
  | "only-drums"
  | "file-empty"
  | "file-unreadable"
  | "zip-unread"
  | "too-long"
  | "line-too-long"
  | "tune-cut"
  | "not-identified"
  | "count-unread"
  | "pitch-unread"
  | "pitches-missing"
  | "not-twelve-tone"
  | "no-octave"
  | "string-unread"
  | "string-out-of-range"
  | "string-count";

/** What a reader gives back: never thrown, always what could be read. */
export interface Reading<T> {
  readonly value: T;
  readonly problems: readonly Problem[];
}

/**
 * A problem with the whole of what was read, and not with a place in it.
 *
 * @example wholeProblem("file-empty", "gate.abc") // { code: "file-empty", offset: 0, length: 0, found: "gate.abc" }
 */
export const wholeProblem = <C extends ProblemCode>(
  code: C,
  found: string,
  expected?: string,
): Problem & { readonly code: C } => ({
  code,
  offset: 0,
  length: 0,
  found,
  ...(expected === undefined ? {} : { expected }),
});

/** Line and column, from 1, of an offset in a text. */
export function placeOf(text: string, offset: number): { readonly line: number; readonly column: number } {
  const before = text.slice(0, offset).split(/\r\n|\r|\n/);
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}
