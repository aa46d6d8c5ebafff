import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { readNotes } from "@/formats";
import { timedNotes } from "@/devices";
import { $settings } from "@/session";
import { tuneDocument } from "./tune-document";
import { Button } from "@/kit/controls";
import { countText, PLAY_IN_SAYS } from "@/words";
import styles from "./PlayIn.module.css";
import { beginAgain, takeLastBack } from "./taken-in";
import { SIMULATED } from "@/session/playing/useKeyboards";
import { KeyboardSelect, SimulatedKeys } from "@/shell/played";
import { usePlayedIn } from "./usePlayedIn";

/** What the simulated keyboard plays by itself: phrases in the manner of a tune of the play. */
const PHRASE =
  "E4:0.5 F4 G4:1 A4:0.5 G4 F4:1 | E4:0.5 F4 G4 F4 E4:2 | G4:0.5 A4 B4:1 A4:0.5 G4 F4:1 | G4:0.5 F4 D4 F4 E4:2 ||";

/** Notes played in: on a keyboard that is plugged in, on a simulated one, or clicked on the stage below. */
export function PlayIn() {
  const { keyboards, keyboard, chooseKeyboard } = usePlayedIn();
  const { played, text } = useStore(tuneDocument.$value);
  const count = text === "" ? 0 : (played?.length ?? 0);
  const [isPerforming, setPerforming] = useState(false);
  const end = useRef<() => void>(undefined);
  useEffect(() => () => end.current?.(), []);
  const perform = () => {
    if (isPerforming) {
      end.current?.();
      setPerforming(false);
      return;
    }
    const notes = timedNotes(readNotes(PHRASE).value, $settings.get().tempo);
    const whole = notes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
    const stop = SIMULATED.perform(notes);
    const timer = setTimeout(() => setPerforming(false), whole * 1000);
    end.current = () => {
      stop();
      clearTimeout(timer);
    };
    setPerforming(true);
  };
  return (
    <section className={styles.played} aria-label="Play in">
      <div className={styles.row}>
        <KeyboardSelect keyboards={keyboards} keyboard={keyboard} onChoose={chooseKeyboard} />
        {keyboard.id === SIMULATED.id && (
          <Button aria-pressed={isPerforming} onClick={perform}>
            {isPerforming ? "Stop it" : "Let it play a phrase"}
          </Button>
        )}
        <Button disabled={count === 0} onClick={takeLastBack}>
          Take the last note back
        </Button>
        <Button disabled={count === 0} onClick={beginAgain}>
          Begin again
        </Button>
        <span className={styles.said} role="status">
          {count === 0 ? PLAY_IN_SAYS : countText(count, "note")}
        </span>
      </div>
      {keyboard.id === SIMULATED.id && <SimulatedKeys />}
    </section>
  );
}
