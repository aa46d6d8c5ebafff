import { halfSteps } from "@/core/pitch";
import { flipped, type HomeMode, holds, spellSet } from "@/core/scale";
import { degreeText, intervalText, noteText } from "@/words";
import { cellsOf } from "./cells";
import styles from "./StripEditor.module.css";

interface StripEditorProps {
  readonly homeMode: HomeMode;
  /** What its characteristic notes tell it from. */
  /** Opens or shuts the cell so many half steps above home. */
  readonly onFlip: (step: number) => void;
}

/** The strip with its cells to be opened and shut: each is a button that is pressed or not; home stays open. */
export function StripEditor({ homeMode, onFlip }: StripEditorProps) {
  const { home, mode } = homeMode;
  return (
    <fieldset className={styles.editor}>
      <legend className="visually-hidden">Notes from {noteText(home)} up, a half step each</legend>
      {cellsOf(homeMode).map(({ step, note, interval, isHome, isCharacteristic }) => {
        // A shut cell is named as it would be if it were opened.
        const would =
          interval ?? spellSet(flipped(mode.sounds, step)).find((each) => halfSteps(each) === step) ?? 0;
        const name = note ?? home + would;
        return (
          <button
            key={step}
            type="button"
            className={styles.cell}
            aria-pressed={holds(mode.sounds, step)}
            aria-label={`${noteText(name)}, ${intervalText(would)}`}
            disabled={isHome}
            data-characteristic={isCharacteristic || undefined}
            data-notched={isCharacteristic || undefined}
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
