import { halfSteps } from "@/core/pitch";
import { flipped, type HomeMode, holds, spellSet, type Telling } from "@/core/scale";
import { degreeText, intervalText, noteText } from "@/words";
import { slatsOf } from "./slats";
import styles from "./SlatEditor.module.css";

interface SlatEditorProps {
  readonly homeMode: HomeMode;
  /** What its characteristic notes tell it from. */
  readonly telling: Telling;
  /** Opens or shuts the slat so many half steps above home. */
  readonly onFlip: (step: number) => void;
}

/** The blind with its slats to be opened and shut: each is a button that is pressed or not; home stays open. */
export function SlatEditor({ homeMode, telling, onFlip }: SlatEditorProps) {
  const { home, mode } = homeMode;
  return (
    <fieldset className={styles.editor}>
      <legend className="visually-hidden">Slats from {noteText(home)} up, a half step each</legend>
      {slatsOf(homeMode, telling).map(({ step, note, interval, isHome, isColour }) => {
        // A shut slat is named as it would be if it were opened.
        const would =
          interval ?? spellSet(flipped(mode.sounds, step)).find((each) => halfSteps(each) === step) ?? 0;
        const name = note ?? home + would;
        return (
          <button
            key={step}
            type="button"
            className={styles.slat}
            aria-pressed={holds(mode.sounds, step)}
            aria-label={`${noteText(name)}, ${intervalText(would)}`}
            disabled={isHome}
            data-colour={isColour || undefined}
            data-home={isHome || undefined}
            onClick={() => onFlip(step)}
          >
            <span className={styles.name}>{noteText(name)}</span>
            <span className={styles.degree}>{degreeText(would)}</span>
          </button>
        );
      })}
    </fieldset>
  );
}
