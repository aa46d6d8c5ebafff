import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { isBlackKey } from "@/core/instrument";
import { readNotes } from "@/formats";
import { timedNotes } from "@/devices";
import { $settings, hearNote, tuneDocument } from "@/session";
import { Button, Select } from "@/kit/controls";
import { countText, keyName, PLAY_IN_SAYS } from "@/words";
import styles from "./PlayIn.module.css";
import { beginAgain, takeLastBack } from "./taken-in";
import { SIMULATED, usePlayedIn } from "./usePlayedIn";

/** Two octaves of keys for the simulated keyboard. */
const KEYS = Array.from({ length: 25 }, (_, at) => 57 + at);

/** What the simulated keyboard plays by itself: the beginning of a tune of the play. */
const PHRASE =
  "E4:0.5 F4 G4:1 A4:0.5 G4 F4:1 | E4:0.5 F4 G4 B4 A4:2 | G4:0.5 A4 B4:1 A4:0.5 G4 F4:1 | G4:0.5 F4 D4 F4 E4:2 ||";

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
        <Select
          label="Keyboard"
          size="small"
          value={keyboard.id}
          options={keyboards.map(({ id, name }) => ({ value: id, text: name }))}
          onChange={chooseKeyboard}
        />
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
      {keyboard.id === SIMULATED.id && <Keys />}
    </section>
  );
}

/** Keys of the simulated keyboard: held as long as they are pressed. */
function Keys() {
  const [low] = KEYS;
  const whites = KEYS.filter((midi) => !isBlackKey(midi));
  const placeOf = (midi: number) =>
    isBlackKey(midi) ? whites.indexOf(midi + 1) - 0.3 : whites.indexOf(midi);
  const press = (midi: number) => () => {
    hearNote(midi);
    SIMULATED.press(midi);
  };
  const release = (midi: number) => () => SIMULATED.release(midi);
  return (
    <div className={styles.keys} role="group" aria-label="Keys of the simulated keyboard">
      {KEYS.map((midi) => (
        <button
          key={midi}
          type="button"
          className={styles.key}
          data-black={isBlackKey(midi) || undefined}
          tabIndex={midi === low ? 0 : -1}
          aria-label={keyName(midi)}
          style={{
            left: `${(placeOf(midi) / whites.length) * 100}%`,
            width: `${((isBlackKey(midi) ? 0.6 : 1) / whites.length) * 100}%`,
          }}
          onPointerDown={press(midi)}
          onPointerUp={release(midi)}
          onPointerLeave={release(midi)}
          onKeyDown={(event) => {
            const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
            if (step !== 0) {
              event.preventDefault();
              event.stopPropagation();
              const next = event.currentTarget.parentElement?.children[KEYS.indexOf(midi) + step];
              if (next instanceof HTMLElement) next.focus();
            } else if ((event.key === "Enter" || event.key === " ") && !event.repeat) {
              event.preventDefault();
              event.stopPropagation();
              press(midi)();
            }
          }}
          onKeyUp={(event) => {
            if (event.key === "Enter" || event.key === " ") SIMULATED.release(midi);
          }}
        >
          {midi % 12 === 0 ? keyName(midi) : ""}
        </button>
      ))}
    </div>
  );
}
