import type { Card } from "./card";

/** One answer that was given. */
export interface Attempt {
  /** When it was answered, in milliseconds since 1970. */
  readonly at: number;
  readonly card: Card;
  readonly isRight: boolean;
  /** What was answered and what would have been right, as ids of choices. */
  readonly given: string;
  readonly right: string;
  /** Milliseconds from the end of the question, or its first sound, to the answer. */
  readonly took: number;
  /** How often it was heard. */
  readonly heard: number;
  /** Ids of the modes that might have been meant, and over how many octaves it was heard; unknown of answers from before they were kept. */
  readonly choices?: readonly string[] | undefined;
  readonly octaves?: 1 | 2 | undefined;
}
