import { useStore } from "@nanostores/react";
import { mode as modeById } from "@/core/scale";
import { EAR_QUESTIONS } from "@/core/training";
import { modeScore } from "@/audio";
import { $playing, $toSing } from "@/session";
import { Button } from "@/kit/controls";
import type { Sitting } from "@/storage";
import { givenText, homeModeText, QUESTION_NAME } from "@/words";
import type { ResultRow } from "./shown-result";
import { AGAIN, BESIDE, besideOf, hearAgain, hearBeside } from "./run";
import styles from "./Ear.module.css";

interface AnswersTableProps {
  readonly rows: readonly ResultRow[];
  readonly whose: string;
  /** The sitting that they were given in, where it is one of this browser: its questions can be heard again. */
  readonly sitting?: Sitting;
}

/** Each question of an exam with its answer. */
export function AnswersTable({ rows, whose, sitting }: AnswersTableProps) {
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
          {sitting && <th scope="col">Hear</th>}
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
            {sitting && (
              <td>
                <HearRow sitting={sitting} nth={sitting.ear?.attempts[at]?.nth ?? at} />
              </td>
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A question heard again as it was asked; where another mode was named, the two side by side. */
function HearRow({ sitting, nth }: { readonly sitting: Sitting; readonly nth: number }) {
  const playing = useStore($playing);
  const asked = sitting.ear?.asked[nth];
  const kind = asked?.card.question;
  const isHeard = EAR_QUESTIONS.some((each) => each === kind);
  return (
    <span className={styles.hearRow}>
      {isHeard && (
        <Button
          kind="quiet"
          aria-label={`Hear question ${nth + 1} again`}
          aria-pressed={playing === `${AGAIN} ${nth}`}
          onClick={() => hearAgain(sitting, nth)}
        >
          Question
        </Button>
      )}
      {asked && (
        <Button
          kind="quiet"
          aria-label={`Sing the right answer to question ${nth + 1}`}
          onClick={() => {
            const homeMode = { home: asked.home, mode: modeById(asked.card.mode) };
            $toSing.set({ title: homeModeText(homeMode), score: modeScore(homeMode, true) });
          }}
        >
          Sing
        </Button>
      )}
      {besideOf(sitting, nth) && (
        <Button
          kind="quiet"
          aria-label={`Hear both answers to question ${nth + 1}: third, degree, scale`}
          aria-pressed={playing === `${BESIDE} ${nth}`}
          onClick={() => hearBeside(sitting, nth)}
        >
          Both
        </Button>
      )}
    </span>
  );
}
