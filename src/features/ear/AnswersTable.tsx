import { mode as modeById } from "@/core/scale";
import { givenText, homeModeText, QUESTION_NAME } from "@/words";
import type { ResultRow } from "./result";
import styles from "./Ear.module.css";

/** Each question of an exam with its answer. */
export function AnswersTable({
  rows,
  whose,
}: {
  readonly rows: readonly ResultRow[];
  readonly whose: string;
}) {
  return (
    <table className={styles.table}>
      <caption className="visually-hidden">Questions and answers</caption>
      <thead>
        <tr>
          <th scope="col">Question</th>
          <th scope="col">Mode</th>
          <th scope="col">{whose}</th>
          <th scope="col">Right answer</th>
          <th scope="col">Seconds</th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ card: { question, mode }, home, given, right, isRight, took }, at) => (
          // A row has no name but its place.
          <tr key={at} data-wrong={!isRight || undefined}>
            <td>{QUESTION_NAME[question]}</td>
            <td>{homeModeText({ home, mode: modeById(mode) })}</td>
            <td>{givenText(question, given)}</td>
            <td>{isRight ? "the same" : givenText(question, right)}</td>
            <td>{Math.round(took / 1000)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
