import { useStore } from "@nanostores/react";
import { type ReactNode, useMemo, useState } from "react";
import { dueCards, forecast, LEVELS, mixedPairs, questionsIn, reopenedLevels } from "@/core/training";
import { $attempts, $placeMode, $schedule, dayNumber, setPlace, sittings, withPart } from "@/session";
import { Button, HomeField, Select } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { useKeys } from "@/session/place/useKeys";
import {
  countText,
  drillText,
  dayText,
  pairAgainText,
  reopenedText,
  standingText,
  EAR_HELP,
  forecastText,
  levelText,
  modeListText,
  TEXTURE_NAME,
  unfinishedText,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { READY_EXAMS } from "./exam";
import { $level, $passed, $standings, $unfinished } from "./running";
import styles from "./Ear.module.css";

const MINUTES = [5, 10, 15, 20, 25].map((minutes) => ({
  value: String(minutes),
  text: `${minutes} minutes`,
}));

/** What asks is fetched when it is first needed. */
const withRun = (act: (run: typeof import("./run")) => void) =>
  void withPart("The question", () => import("./run"), act);

/** Days for which it is said what comes back. */
const AHEAD = 7;

/** The start of a day's training: how long, from which home, at which level; what is due. */
export function TodayShow({ tabs }: { readonly tabs: ReactNode }) {
  const { home } = useStore($placeMode);
  const reached = useStore($level);
  const passedAll = useStore($passed);
  const attempts = useStore($attempts);
  const schedule = useStore($schedule);
  const unfinished = useStore($unfinished);
  const [minutes, setMinutes] = useState("10");
  const [chosen, setChosen] = useState<string>();
  const level = LEVELS.find(({ id }) => id === chosen) ?? reached;
  const begin = () => withRun((run) => run.beginToday(Number(minutes), level, home));
  const [now] = useState(Date.now);
  const coming = forecast(schedule, now, AHEAD, dayNumber);
  const pairs = useMemo(() => mixedPairs(attempts, dayNumber), [attempts]);
  const reopened = useMemo(() => reopenedLevels(attempts), [attempts]);
  const standing = useStore($standings).get(level);
  const [pair] = pairs;
  const due = dueCards(schedule, now).length;
  useKeys("Ear", [{ key: "Enter", says: "Start", act: begin }]);
  return (
    <div className={view.view}>
      <div className={view.answer}>
        {tabs}
        <div className={view.sentence}>
          <h1 className="visually-hidden">Today’s ear training</h1>
          <span>Train for</span>
          <Select label="Minutes" value={minutes} options={MINUTES} onChange={setMinutes} />
          <span>beginning on</span>
          <HomeField label="Home" value={home} onChange={(note) => setPlace({ home: note })} />
          <Button kind="main" keyName="Enter" onClick={begin}>
            Start
          </Button>
        </div>
        {unfinished?.ear && (
          <div className={styles.unfinished}>
            <span>
              {unfinishedText(unfinished.title, unfinished.ear.attempts.length, unfinished.ear.asked.length)}
            </span>
            <Button onClick={() => withRun((run) => run.goOn(unfinished))}>Go on</Button>
            <Button kind="quiet" onClick={() => sittings.end(unfinished.id)}>
              Leave it
            </Button>
          </div>
        )}
        <h2 className={styles.heading}>Ready exams</h2>
        <div className={styles.ready}>
          <Button onClick={() => withRun((run) => run.beginPlacement(home))}>Find my level</Button>
          {READY_EXAMS.map((exam) => (
            <Button key={exam.title} onClick={() => withRun((run) => run.beginExam({ ...exam, home }))}>
              {`${exam.title} (${countText(exam.count, "question")})`}
            </Button>
          ))}
        </div>
        <h2 className={styles.heading}>Levels</h2>
        {reopened.length > 0 && <p className={styles.reopened}>{reopenedText(reopened.length)}</p>}
        <ol className={styles.levels}>
          {LEVELS.map((each) => {
            const passed = passedAll.has(each);
            return (
              <li key={each.id}>
                <button
                  type="button"
                  className={styles.level}
                  aria-pressed={each === level}
                  data-passed={passed || undefined}
                  onClick={() => setChosen(each.id)}
                >
                  <strong>{levelText(each.id)}</strong>
                  <small>{modeListText(each.exam.modes)}</small>
                  <span>{each.exam.textures.map((texture) => TEXTURE_NAME[texture]).join(", ")}</span>
                  <em>{passed ? "passed" : each === reached ? "next" : ""}</em>
                </button>
              </li>
            );
          })}
        </ol>
      </div>
      <Panel title={levelText(level.id)}>
        {pair && <Saying>{pairAgainText(pair)}</Saying>}
        <Saying>{dayText(questionsIn(Number(minutes), attempts), due, level.id)}</Saying>
        <Facts
          rows={[
            ...(standing ? [["This level", standingText(standing)] as const] : []),
            ["Answered so far", countText(attempts.length, "question")],
            ...(schedule.size > 0 ? [["Coming back", forecastText(coming)] as const] : []),
          ]}
        />
        {attempts.length === 0 && <Saying>{EAR_HELP}</Saying>}
        {pairs.slice(0, 2).map(({ modes: [one, other] }) => (
          <p key={`${one} ${other}`}>
            <Button onClick={() => withRun((run) => run.beginDrill(one, other, home))}>
              {drillText(one, other)}
            </Button>
          </p>
        ))}
      </Panel>
    </div>
  );
}
