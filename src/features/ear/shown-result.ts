import { atom } from "nanostores";
import type { Attempt } from "@/core/training";

/** The result that somebody sent, while it is looked at. */
export const $shownResult = atom<Result | undefined>();

/** The results of a class, while they are looked at. */
export const $shownClass = atom<ClassResults | undefined>();

/** What a pupil sent. */
export interface PupilResult {
  readonly name: string;
  readonly result: Result;
}

/** Results of several pupils, and what was left out of the files that were opened last. */
export interface ClassResults {
  readonly pupils: readonly PupilResult[];
  readonly said: readonly string[];
}

/** A question with its answer. */
export interface ResultRow extends Attempt {
  readonly home: number;
}

/** What came of an exam: in this browser, or in a file that somebody sent. */
export interface Result {
  readonly title: string;
  readonly startedAt: string;
  readonly rows: readonly ResultRow[];
  /** Rows of the file that make no sense. */
  readonly unread: number;
}
