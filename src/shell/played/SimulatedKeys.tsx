import { isBlackKey } from "@/core/instrument";
import { hearNote } from "@/session";
import { SIMULATED } from "@/session/playing/useKeyboards";
import { keyName } from "@/words";
import styles from "./SimulatedKeys.module.css";

/** Two octaves of keys for the simulated keyboard. */
const KEYS = Array.from({ length: 25 }, (_, at) => 57 + at);

/** Keys of the simulated keyboard: held as long as they are pressed. */
export function SimulatedKeys() {
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
