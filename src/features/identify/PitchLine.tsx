import { type KeyboardEvent, useMemo, useState } from "react";
import { spelledInContext, tuningOf } from "@/core/tune";
import { Button } from "@/kit/controls";
import { pitchPath, SECOND, STEP } from "@/kit/pitch-line";
import { noteText, pitchText, CHOOSE_TO_CORRECT } from "@/words";
import { corrected, type Correction } from "./correct";
import styles from "./PitchLine.module.css";
import type { HeardLine } from "@/session/playing/useListening";

interface PitchLineProps {
  readonly line: HeardLine;
  readonly onNotes: (notes: HeardLine["notes"]) => void;
  readonly onUndo: (() => void) | undefined;
}

/** Half steps shown above the highest note and below the lowest. */
const MARGIN = 2;
/** A note narrower than this in the drawing has no room for its name. */
const NAMED = 16;
/** The pitch of a recording as a line over the notes that it became; each can be selected and corrected. */
export function PitchLine({ line, onNotes, onUndo }: PitchLineProps) {
  const { frames, notes } = line;
  const [chosen, setChosen] = useState<number>();
  const off = useMemo(() => tuningOf(frames), [frames]);
  const low = notes.reduce((least, { midi }) => Math.min(least, midi), Infinity) - MARGIN;
  const high = notes.reduce((most, { midi }) => Math.max(most, midi), -Infinity) + MARGIN;
  const width = (frames.at(-1)?.time ?? 1) * SECOND + 24;
  const height = (high - low + 1) * STEP;
  const yOf = (midi: number) => (high - midi + 0.5) * STEP;
  const path = useMemo(() => pitchPath(frames, high, off), [frames, high, off]);
  const names = useMemo(() => spelledInContext(notes), [notes]);
  const change = (how: Correction) => {
    if (chosen === undefined) return;
    const next = corrected(notes, chosen, how);
    if (next === notes) return;
    onNotes(next);
    if (chosen >= next.length) setChosen(next.length === 0 ? undefined : next.length - 1);
  };
  const onKey = (event: KeyboardEvent) => {
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (step !== 0) setChosen(Math.max(0, Math.min(notes.length - 1, (chosen ?? -step) + step)));
    else if (event.key === "ArrowUp") change("higher");
    else if (event.key === "ArrowDown") change("lower");
    else if (event.key === "Delete" || event.key === "Backspace") change("take-out");
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const selected = chosen === undefined ? undefined : names[chosen];
  const acts: readonly (readonly [Correction, string])[] = [
    ["higher", "Higher"],
    ["lower", "Lower"],
    ["part", "Split"],
    ["join", "Join"],
    ["take-out", "Remove"],
  ];
  return (
    <section className={styles.line} aria-label="The recording as it was heard">
      <div
        className={styles.paper}
        role="listbox"
        tabIndex={0}
        aria-label="Notes heard; left and right choose one, up and down correct it"
        aria-activedescendant={chosen === undefined ? undefined : `heard-${chosen}`}
        onKeyDown={onKey}
      >
        <div className={styles.drawing} style={{ width, height }}>
          {notes.map(({ midi, onset, duration }, at) => (
            // Chosen by the arrows of the list that it belongs to.
            // eslint-disable-next-line jsx-a11y-x/click-events-have-key-events
            <div
              key={at}
              id={`heard-${at}`}
              role="option"
              tabIndex={-1}
              aria-selected={at === chosen}
              className={styles.note}
              style={{
                left: onset * SECOND,
                width: Math.max(4, duration * SECOND - 1),
                top: yOf(midi) - STEP,
                height: STEP * 2,
              }}
              aria-label={names[at] && pitchText(names[at])}
              onClick={() => setChosen(at)}
            />
          ))}
          <svg className={styles.pitch} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
            <path d={path} />
          </svg>
          <div className={styles.names} aria-hidden="true">
            {notes.map(({ midi, onset, duration }, at) =>
              names[at] && duration * SECOND > NAMED ? (
                <span key={at} style={{ left: (onset + duration / 2) * SECOND, top: yOf(midi) }}>
                  {noteText(names[at].name)}
                </span>
              ) : undefined,
            )}
          </div>
        </div>
      </div>
      <div className={styles.acts}>
        <span role="status">{selected ? `${pitchText(selected)} selected:` : CHOOSE_TO_CORRECT}</span>
        {acts.map(([how, says]) => (
          <Button key={how} kind="quiet" disabled={chosen === undefined} onClick={() => change(how)}>
            {says}
          </Button>
        ))}
        {onUndo && (
          <Button kind="quiet" onClick={onUndo}>
            Undo
          </Button>
        )}
      </div>
    </section>
  );
}
