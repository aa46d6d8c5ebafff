import { useEffect, useRef, useState } from "react";
import { soundOf } from "@/core/pitch";
import { gradePlayed, gradeSung, notesToPlay, type Question } from "@/core/training";
import type { Microphone } from "@/devices";
import { stop } from "@/session";
import { useListening } from "@/session/playing/useListening";
import { SIMULATED, useKeyboards } from "@/session/playing/useKeyboards";
import { KeyboardSelect, SimulatedKeys, SourceSelect } from "@/shell/played";
import { SungLine } from "@/shell/sung";
import { useKeys } from "@/session/place/useKeys";
import { Button } from "@/kit/controls";
import {
  COUNT_IT,
  givenText,
  offText,
  PLAY_BACK_SAYS,
  playedSoFarText,
  recordText,
  sungText,
  tooFewText,
} from "@/words";
import { answer } from "./run";
import { type Sung, sungBoxes } from "./sung";
import styles from "./Ear.module.css";

/** Seconds from one note of the simulated player to the next. */
const EACH = 0.4;

/** Where the simulated player has its home: about middle C. */
const PLAYER_FROM = 60;

/** An answer that is played or sung: on a keyboard that is plugged in, on the simulated one, before the microphone, or by those who stand in. */
export function PlayedBack({
  question,
  given,
}: {
  readonly question: Question;
  readonly given: string | undefined;
}) {
  const [midis, setMidis] = useState<readonly number[]>([]);
  const [heardTooFew, setTooFew] = useState<number>();
  const [sung, setSung] = useState<Sung>();
  const [from, setFrom] = useState<Microphone>("microphone");
  const end = useRef<() => void>(undefined);
  useEffect(() => () => end.current?.(), []);
  const kind = question.asked.card.question;
  const count = notesToPlay(question);
  const answerNotes = rightNotes(question);
  const take = (notes: readonly number[]): boolean => {
    const graded = gradePlayed(question, notes);
    if (graded) answer(graded);
    return graded !== undefined;
  };
  const { keyboards, keyboard, chooseKeyboard } = useKeyboards({
    onPress: (midi) => {
      if (given !== undefined) return;
      // What is played back is heard by itself.
      if (midis.length === 0) stop();
      const next = [...midis, midi];
      setMidis(next);
      take(next);
    },
  });
  const listening = useListening({
    phrase: answerNotes,
    onLine: ({ frames, notes }) => {
      const graded = gradeSung(
        question,
        notes.map(({ height }) => height),
      );
      setTooFew(graded ? undefined : notes.length);
      setSung({ frames, notes, cents: graded?.cents ?? 0 });
    },
  });
  const { state } = listening;
  const perform = () => {
    stop();
    setMidis([]);
    end.current = SIMULATED.perform(answerNotes);
  };
  const startListening = () => {
    // What sounds here would be heard too.
    stop();
    setTooFew(undefined);
    setSung(undefined);
    void listening.start(from);
  };
  const graded =
    sung &&
    gradeSung(
      question,
      sung.notes.map(({ height }) => height),
    );
  const countIt = () => graded && answer({ isRight: graded.isRight, given: graded.given });
  useKeys("Ear", graded && given === undefined ? [{ key: "Enter", says: COUNT_IT, act: countIt }] : []);
  if (given !== undefined)
    return (
      <>
        <p className={styles.given}>
          {[`You played: ${givenText(kind, given)}.`, sung ? offText(sung.cents) : ""].join(" ").trim()}
        </p>
        {sung && <SungLine frames={sung.frames} cents={sung.cents} boxes={sungBoxes(sung, question, true)} />}
      </>
    );
  return (
    <section className={styles.playedBack} aria-label="Your answer">
      <div className={styles.written}>
        <KeyboardSelect keyboards={keyboards} keyboard={keyboard} onChoose={chooseKeyboard} />
        <Button disabled={midis.length === 0} onClick={() => setMidis(midis.slice(0, -1))}>
          Take the last note back
        </Button>
        {keyboard.id === SIMULATED.id && (
          <Button kind="quiet" onClick={perform}>
            Let it play the answer
          </Button>
        )}
        <span role="status">
          {midis.length === 0 ? PLAY_BACK_SAYS : playedSoFarText(midis.length, count)}
        </span>
      </div>
      {keyboard.id === SIMULATED.id && <SimulatedKeys />}
      <div className={styles.written}>
        <SourceSelect from={from} onChoose={setFrom} />
        {state.at === "recording" ? (
          <Button kind="main" onClick={() => void listening.stop()}>
            That was it
          </Button>
        ) : (
          <Button disabled={state.at === "listening"} onClick={startListening}>
            {sung ? "Sing it again" : "Sing or play it"}
          </Button>
        )}
        {graded && (
          <Button kind="main" keyName="Enter" onClick={countIt}>
            {COUNT_IT}
          </Button>
        )}
        {state.at !== "idle" && (
          <span role="status">
            {heardTooFew !== undefined
              ? tooFewText(heardTooFew, count)
              : graded
                ? `${sungText(givenText(kind, graded.given))} ${offText(graded.cents)}`
                : recordText(state)}
          </span>
        )}
      </div>
      {sung && <SungLine frames={sung.frames} cents={sung.cents} boxes={sungBoxes(sung, question, false)} />}
    </section>
  );
}

/** The right answer as those play it who stand in for a player. */
function rightNotes({ right: [right = ""], homeMode, heard }: Question) {
  const low = PLAYER_FROM + soundOf(homeMode.home);
  const line = heard?.line ?? [];
  const steps = right.split(" ").map(Number);
  return steps.map((step, nth) => ({
    // As it was heard, where it is the line that is played back.
    midi: low + (steps.length === line.length ? (line[nth]?.step ?? step) : step),
    onset: nth * EACH,
    duration: EACH * 0.9,
  }));
}
