import { useEffect, useRef, useState } from "react";
import { soundOf } from "@/core/pitch";
import { gradePlayed, type Question } from "@/core/training";
import { stop } from "@/session";
import { SIMULATED, useKeyboards } from "@/session/useKeyboards";
import { SimulatedKeys } from "@/shell/played";
import { Button, Select } from "@/kit/controls";
import { givenText, PLAY_BACK_SAYS, playedSoFarText } from "@/words";
import { answer } from "./run";
import styles from "./Ear.module.css";

/** Seconds from one note of the simulated player to the next. */
const EACH = 0.4;

/** Where the simulated player has its home: about middle C. */
const PLAYER_FROM = 60;

/** An answer that is played: on a keyboard that is plugged in, on the simulated one, by the simulated player. */
export function PlayedBack({
  question,
  given,
}: {
  readonly question: Question;
  readonly given: string | undefined;
}) {
  const [midis, setMidis] = useState<readonly number[]>([]);
  const end = useRef<() => void>(undefined);
  useEffect(() => () => end.current?.(), []);
  const { keyboards, keyboard, chooseKeyboard } = useKeyboards({
    onPress: (midi) => {
      if (given !== undefined) return;
      // What is played back is heard by itself.
      if (midis.length === 0 && keyboard.id !== SIMULATED.id) stop();
      const next = [...midis, midi];
      setMidis(next);
      const graded = gradePlayed(question, next);
      if (graded) answer(graded);
    },
  });
  const perform = () => {
    stop();
    setMidis([]);
    const low = PLAYER_FROM + soundOf(question.homeMode.home);
    const notes = (question.heard?.line ?? []).map(({ step }, nth) => ({
      midi: low + step,
      onset: nth * EACH,
      duration: EACH * 0.9,
    }));
    end.current = SIMULATED.perform(notes);
  };
  const count = question.heard?.line.length ?? 0;
  if (given !== undefined)
    return <p className={styles.given}>{`You played: ${givenText(question.asked.card.question, given)}`}</p>;
  return (
    <section className={styles.playedBack} aria-label="Your answer">
      <div className={styles.written}>
        <Select
          label="Keyboard"
          size="small"
          value={keyboard.id}
          options={keyboards.map(({ id, name }) => ({ value: id, text: name }))}
          onChange={chooseKeyboard}
        />
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
    </section>
  );
}
