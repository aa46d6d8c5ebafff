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
}
