import type { Problem } from "@/core/problem";
import type { SentTune } from "@/workers";

/** A tune of a collection, and where it came from. */
export interface Row extends SentTune {
  /** Place in the collection, from 0. */
  readonly at: number;
  readonly file: File;
  readonly from: number;
  readonly to: number;
}

/** A collection that was opened: what has been told of it so far. */
export interface Collection {
  readonly state: "reading" | "done" | "cancelled";
  readonly rows: readonly Row[];
  /** Files that could not be read. */
  readonly problems: readonly Problem[];
  /** Bytes that were gone through, and all of them. */
  readonly done: number;
  readonly of: number;
  /** Whether it is there again after a reload; unknown while it is being written. */
  readonly isSaved?: boolean;
}
