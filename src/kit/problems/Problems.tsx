import type { Problem } from "@/core/problem";
import { problemText } from "@/words";
import styles from "./Problems.module.css";

interface ProblemsProps {
  readonly problems: readonly Problem[];
  /** The text that they stand in. */
  readonly text: string;
  readonly id?: string;
}

/** Problems shown at once; the rest are counted. */
const MOST = 4;

/** What in a text was not understood, and where. The list is always there, so that changes in it are read out. */
export function Problems({ problems, text, id }: ProblemsProps) {
  return (
    <ul id={id} className={styles.problems} aria-live="polite">
      {problems.slice(0, MOST).map((problem) => (
        <li key={`${problem.offset} ${problem.code}`}>{problemText(problem, text)}</li>
      ))}
      {problems.length > MOST && <li>and {problems.length - MOST} more like these.</li>}
    </ul>
  );
}
