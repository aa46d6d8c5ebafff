import { useStore } from "@nanostores/react";
import { confusions, habits } from "@/core/training";
import { $attempts, $placeMode, attemptsOf, goTo, withPart } from "@/session";
import type { Sitting } from "@/storage";
import { Button } from "@/kit/controls";
import { saveFile } from "@/kit/files";
import { Panel, Saying } from "@/kit/panel";
import { useKeys } from "@/session/place/useKeys";
import { drillText, gainedText, habitText, passedText, placedText, rightText, takenForText } from "@/words";
import view from "@/shell/frame/View.module.css";
import { AnswersTable } from "./AnswersTable";
import { resultOf } from "./result";
import { beginDrill, beginExam, gained, leave } from "./run";
import styles from "./Ear.module.css";

/** The end of a sitting: how much was right, each question with its answer, and what to do about it. */
export function Summary({ sitting }: { readonly sitting: Sitting }) {
  const { home } = useStore($placeMode);
  const all = useStore($attempts);
  const { right, of, passed, placed, later } = gained(sitting);
  const [worst] = confusions(attemptsOf(sitting));
  const known = habits(all);
  const exam = sitting.ear?.exam;
  useKeys("Ear", [{ key: "Enter", says: "Back to Ear", act: leave }]);
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <h1 className={styles.question}>{rightText(right, of)}</h1>
        <div className={styles.scroll}>
          <AnswersTable rows={resultOf(sitting).rows} whose="Your answer" sitting={sitting} />
        </div>
      </div>
      <Panel
        title={sitting.title === "" ? "Done" : sitting.title}
        acts={
          <>
            <Button kind="main" keyName="Enter" onClick={leave}>
              Done
            </Button>
            {exam && <Button onClick={() => beginExam(exam)}>Once more</Button>}
            {exam && (
              <Button
                onClick={() =>
                  void withPart(
                    "The export",
                    () => import("./result-file"),
                    ({ writeResult }) =>
                      saveFile("exam-result.csv", writeResult(resultOf(sitting)), "text/csv"),
                  )
                }
              >
                Export result
              </Button>
            )}
            <Button kind="quiet" onClick={() => goTo("log")}>
              Open the log
            </Button>
          </>
        }
      >
        {placed && <Saying>{placedText(placed.id)}</Saying>}
        {passed.map(({ id }) => (
          <Saying key={id}>{passedText(id)}</Saying>
        ))}
        {later > 0 && <Saying>{gainedText(later)}</Saying>}
        {worst && (
          <>
            <Saying>{takenForText(worst)}</Saying>
            <p>
              <Button onClick={() => beginDrill(worst.right, worst.given, home)}>
                {drillText(worst.right, worst.given)}
              </Button>
            </p>
          </>
        )}
        {known.slice(0, 2).map((each) => (
          <Saying key={`${each.right} ${each.given}`}>{habitText(each)}</Saying>
        ))}
      </Panel>
    </div>
  );
}
