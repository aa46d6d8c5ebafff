import { atom } from "nanostores";
import type { Attempt } from "@/core/training";

/** The result that somebody sent, while it is looked at. */
export const $shownResult = atom<Result | undefined>();

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
