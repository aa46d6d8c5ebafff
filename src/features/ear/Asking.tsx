import { useStore } from "@nanostores/react";
import { type SubmitEvent, useState } from "react";
import { grade, isPlayed, listeningOrder, PLACEMENT_QUESTIONS, type Question } from "@/core/training";
import { brightness, characteristicSwap, maybeMode } from "@/core/scale";
import { ladderScore, modeScore, swapScore } from "@/audio";
import { $playing, $settings, $toSing, SWAP, toggle } from "@/session";
import type { Sitting } from "@/storage";
import { Button } from "@/kit/controls";
import { Facts, Panel, Saying } from "@/kit/panel";
import { PitchStrip } from "@/kit/pitch-strip";
import { shadeOf } from "@/kit/shade";
import { OwnWordsSaid } from "@/shell/panel";
import { useConventions } from "@/session/settings/useConventions";
import { useKeys } from "@/session/place/useKeys";
import {
  givenText,
  heardOutText,
  homeModeText,
  LISTEN_IN_ORDER,
  THINK_IN_ORDER,
  mixedUpSentence,
  progressText,
  questionText,
  solfegeText,
  swapText,
  TEXTURE_NAME,
  thirdSentence,
  unreadAnswerText,
  whatItIs,
} from "@/words";
import view from "@/shell/frame/View.module.css";
import { $mayHear, $times, answer, finish, hear, leave, next } from "./run";
import { $answered, $heard, $nth, EAR_SOUND } from "./running";
import { FindNotes } from "./FindNotes";
import { PlayedBack } from "./PlayedBack";
import styles from "./Ear.module.css";

/** Letters that answer, in the order of the choices: none of them is anything else here. */
const ANSWER_KEYS = [..."abcdefgmoqrsuvx"];

/** The name under which two modes that were mixed up are played, one after the other. */
const BOTH = "ear-both";

interface AskingProps {
  readonly sitting: Sitting;
  readonly question: Question;
}

/** The question that is open: heard, answered, and then explained. */
export function Asking({ sitting, question }: AskingProps) {
  const answered = useStore($answered);
  const heard = useStore($heard);
  const mayHear = useStore($mayHear);
  const playing = useStore($playing);
  const nth = useStore($nth);
  const { asked = [], attempts = [] } = sitting.ear ?? {};
  // A placement asks its questions one by one.
  const of = sitting.ear?.isPlacement ? PLACEMENT_QUESTIONS : asked.length;
  const times = useStore($times);
  const { card } = question.asked;
  const choose = (choice: string) => {
    const graded = grade(question, choice, $settings.get().noteNames);
    if ("given" in graded) answer(graded);
  };
  useKeys("Ear", [
    ...question.choices.slice(0, ANSWER_KEYS.length).map((choice, at) => ({
      key: ANSWER_KEYS[at] ?? "",
      says: `Answer: ${givenText(card.question, choice)}`,
      act: () => choose(choice),
    })),
    ...(answered ? [{ key: "Enter", says: "Next question", act: next }] : []),
    ...(question.heard ? [{ key: "l", says: "Hear it again", act: hear }] : []),
  ]);
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <div className={view.parts}>
          <p className={styles.progress} role="status">
            {progressText(nth, of)}
            {/* It is read out with the number of the question: the heading itself is no status. */}
            <span className="visually-hidden">{`. ${questionText(question)}`}</span>
            {card.texture && <small> {TEXTURE_NAME[card.texture]}</small>}
          </p>
          <span className={view.right}>
            <Button kind="quiet" onClick={leave}>
              Go on later
            </Button>
            <Button kind="quiet" onClick={finish}>
              End here
            </Button>
          </span>
        </div>
        <div className={styles.bar} aria-hidden="true">
          <span style={{ inlineSize: `${(100 * (nth + (answered ? 1 : 0))) / of}%` }} />
        </div>
        <h1 className={styles.question}>{questionText(question)}</h1>
        {question.heard && (
          <div className={styles.hearing}>
            <Button
              kind="main"
              keyName="space"
              aria-pressed={playing === EAR_SOUND}
              disabled={!mayHear && playing !== EAR_SOUND}
              onClick={hear}
            >
              {playing === EAR_SOUND ? "Stop" : heard === 0 ? "Hear it" : "Hear it again"}
            </Button>
            {times > 0 && !mayHear && <span>{heardOutText(times)}</span>}
          </div>
        )}
        <div className={styles.answering}>
          {question.choices.length > 0 ? (
            <ul
              className={styles.choices}
              aria-label="Answers"
              data-many={question.choices.length > 8 || undefined}
            >
              {question.choices.map((choice, at) => (
                <li key={choice}>
                  <button
                    type="button"
                    className={styles.choice}
                    aria-keyshortcuts={ANSWER_KEYS[at]}
                    aria-disabled={answered !== undefined}
                    data-mark={answered && markOf(choice, question, answered.given)}
                    onClick={() => !answered && choose(choice)}
                  >
                    <span>{givenText(card.question, choice)}</span>
                    {answered && (
                      <small>{MARK_TEXT[markOf(choice, question, answered.given) ?? "other"]}</small>
                    )}
                    {!answered && at < ANSWER_KEYS.length && <kbd aria-hidden="true">{ANSWER_KEYS[at]}</kbd>}
                  </button>
                </li>
              ))}
            </ul>
          ) : card.question === "find" || card.question === "moves" ? (
            <FindNotes key={nth} question={question} given={answered?.given} />
          ) : isPlayed(card.question) ? (
            <PlayedBack key={nth} question={question} given={answered?.given} />
          ) : (
            <Written key={nth} question={question} given={answered?.given} />
          )}
          <Strip question={question} isShown={answered !== undefined} />
        </div>
      </div>
      {answered ? (
        <Told question={question} given={answered.given} isRight={answered.isRight} isLast={nth + 1 === of} />
      ) : (
        <Panel title={question.heard ? "Listen" : "Think"}>
          <Saying>{question.heard ? LISTEN_IN_ORDER : THINK_IN_ORDER}</Saying>
          {sitting.ear?.exam.answers === "each" && attempts.length > 0 && (
            <Facts
              rows={[
                ["Right so far", `${attempts.filter(({ isRight }) => isRight).length} of ${attempts.length}`],
              ]}
            />
          )}
        </Panel>
      )}
    </div>
  );
}

const MARK_TEXT = { right: "right", wrong: "your answer", other: "" } as const;

/** What a choice turned out to be. */
function markOf(choice: string, { right }: Question, given: string): "right" | "wrong" | undefined {
  if (right.includes(choice)) return "right";
  return choice === given ? "wrong" : undefined;
}

/** The twelve cells: shut until the answer, then those of the mode open, one by one in the order in which one listens for them. */
function Strip({ question, isShown }: { readonly question: Question; readonly isShown: boolean }) {
  return (
    <div
      className={styles.strip}
      data-shade={isShown ? shadeOf(brightness(question.homeMode.mode.intervals)) : undefined}
    >
      {isShown ? (
        <PitchStrip homeMode={question.homeMode} opening={listeningOrder(question.homeMode.mode)} />
      ) : (
        <span className={styles.shut} aria-hidden="true" />
      )}
    </div>
  );
}

/** An answer that is written: the notes of a mode. */
function Written({ question, given }: { readonly question: Question; readonly given: string | undefined }) {
  const [text, setText] = useState("");
  const [refusal, setRefusal] = useState<string>();
  const submit = (event: SubmitEvent) => {
    event.preventDefault();
    const graded = grade(question, text, $settings.get().noteNames);
    if ("unread" in graded) setRefusal(unreadAnswerText(graded.unread));
    else answer(graded);
  };
  if (given !== undefined)
    return <p className={styles.given}>{`Your answer: ${givenText(question.asked.card.question, given)}`}</p>;
  return (
    <form className={styles.written} onSubmit={submit}>
      <input
        className={styles.field}
        aria-label="Notes in order"
        aria-invalid={refusal !== undefined || undefined}
        autoComplete="off"
        // The question was just asked for: what is written next is its answer.
        // eslint-disable-next-line jsx-a11y-x/no-autofocus
        autoFocus
        value={text}
        onChange={({ target }) => setText(target.value)}
      />
      <Button kind="main" type="submit">
        Answer
      </Button>
      {refusal !== undefined && <p role="alert">{refusal}</p>}
    </form>
  );
}

interface ToldProps {
  readonly question: Question;
  readonly given: string;
  readonly isRight: boolean;
  readonly isLast: boolean;
}

/** What it was, in the order in which people listen, and what can be heard now. */
function Told({ question, given, isRight, isLast }: ToldProps) {
  const conventions = useConventions();
  const playing = useStore($playing);
  const { homeMode } = question;
  const { home, mode } = homeMode;
  const kind = question.asked.card.question;
  const third = thirdSentence(homeMode);
  const swap = characteristicSwap(mode, conventions);
  const taken = isRight
    ? undefined
    : maybeMode(["mode", "two", "pair", "chords-mode"].includes(kind) ? given : "");
  const mixedUp = taken && mixedUpSentence(homeMode, taken.id);
  const solfege = solfegeText(homeMode, conventions.syllables);
  return (
    <Panel
      title={homeModeText(homeMode)}
      acts={
        <>
          <Button kind="main" keyName="Enter" onClick={next}>
            {isLast ? "Finish" : "Next"}
          </Button>
          <Button
            onClick={() => $toSing.set({ title: homeModeText(homeMode), score: modeScore(homeMode, true) })}
          >
            Sing it
          </Button>
          {swap && (
            <Button
              aria-pressed={playing === SWAP}
              onClick={() => toggle(SWAP, swapScore(homeMode, swap.from, swap.to))}
            >
              {swapText(home, swap)}
            </Button>
          )}
          {taken && (
            <Button
              aria-pressed={playing === BOTH}
              onClick={() => toggle(BOTH, ladderScore([homeMode, { home, mode: taken }]))}
            >
              Hear both
            </Button>
          )}
        </>
      }
    >
      <p className={styles.verdict} role="status" data-right={isRight}>
        {isRight
          ? "That’s right."
          : `It was ${question.right.map((each) => givenText(kind, each)).join(" or ")}, not ${givenText(kind, given)}.`}
      </p>
      {third !== undefined && <Saying>{third}</Saying>}
      <Saying>{whatItIs(homeMode, conventions)}</Saying>
      {mixedUp !== undefined && <Saying>{mixedUp}</Saying>}
      {solfege !== "" && <Facts rows={[["Solfège", solfege]]} />}
      <OwnWordsSaid mode={mode} />
    </Panel>
  );
}
