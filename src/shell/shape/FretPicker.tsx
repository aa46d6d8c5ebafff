import { type KeyboardEvent, useRef, useState } from "react";
import { type Fingering, soundAt, type Tuning } from "@/core/instrument";
import { modulo, spellSound } from "@/core/pitch";
import { noteText, stringFretText } from "@/words";
import styles from "./FretPicker.module.css";

interface FretPickerProps {
  readonly tuning: Tuning;
  /** The fingering that is clicked together, from the string that lies lowest. */
  readonly frets: Fingering | undefined;
  readonly onPick: (frets: Fingering) => void;
}

/** Frets that can be clicked. */
const FRETS = 13;

/** Arrow keys and where they go: strings down, frets right. */
const STEPS: Readonly<Record<string, readonly [string: number, fret: number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/**
 * A neck on which a chord shape is clicked together: a press puts a finger down, another takes it away. One stop for the tab
 * key; the arrows go from place to place.
 */
export function FretPicker({ tuning, frets, onPick }: FretPickerProps) {
  const grid = useRef<HTMLDivElement>(null);
  const [at, setAt] = useState<readonly [string: number, fret: number]>([1, 0]);
  const count = tuning.strings.length;
  const selected = frets?.length === count ? frets : Array.from({ length: count }, () => null);
  const pick = (string: number, fret: number) => {
    const place = count - string;
    onPick(selected.map((each, n) => (n === place ? (each === fret ? null : fret) : each)));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    if (!step) return;
    event.preventDefault();
    event.stopPropagation();
    const next = [
      Math.max(1, Math.min(count, at[0] + step[0])),
      Math.max(0, Math.min(FRETS - 1, at[1] + step[1])),
    ] as const;
    setAt(next);
    grid.current?.querySelector<HTMLElement>(`[data-place="${next[0]}/${next[1]}"]`)?.focus();
  };
  return (
    // The keys move among the places; each place is a button.
    // eslint-disable-next-line jsx-a11y-x/no-noninteractive-element-interactions
    <div
      ref={grid}
      className={styles.picker}
      role="group"
      aria-label="Click a fingering"
      onKeyDown={onKeyDown}
    >
      {Array.from({ length: count }, (_, n) => n + 1).map((string) => (
        <div key={string} className={styles.string}>
          {Array.from({ length: FRETS }, (_, fret) => {
            const name = noteText(spellSound(modulo(soundAt(tuning, { string, fret }), 12)));
            const isSelected = selected[count - string] === fret;
            return (
              <button
                key={fret}
                type="button"
                className={styles.place}
                data-place={`${string}/${fret}`}
                data-nut={fret === 0 || undefined}
                tabIndex={at[0] === string && at[1] === fret ? 0 : -1}
                aria-pressed={isSelected}
                aria-label={stringFretText({ string, fret }, name)}
                onClick={() => {
                  setAt([string, fret]);
                  pick(string, fret);
                }}
              >
                <span>{isSelected ? name : ""}</span>
              </button>
            );
          })}
        </div>
      ))}
      <div className={styles.numbers} aria-hidden="true">
        {Array.from({ length: FRETS }, (_, fret) => (
          <span key={fret}>{fret === 0 ? "" : fret}</span>
        ))}
      </div>
    </div>
  );
}
