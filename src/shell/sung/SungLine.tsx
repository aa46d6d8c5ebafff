import { useMemo } from "react";
import type { PitchFrame } from "@/core/tune";
import { pitchPath, SECOND, STEP } from "@/kit/pitch-line";
import { centsText, SUNG_LINE } from "@/words";
import styles from "./SungLine.module.css";

/** A note behind the line: where it stands, what it is called, and how far what was sung lies beside it. */
export interface SungBox {
  readonly onset: number;
  readonly duration: number;
  readonly midi: number;
  readonly label: string;
  readonly beside: number;
  readonly isMissed: boolean;
}

interface SungLineProps {
  readonly frames: readonly PitchFrame[];
  readonly boxes: readonly SungBox[];
  /** Cents that all of it lies off, taken off. */
  readonly cents: number;
}

/** Half steps shown above the highest note and below the lowest. */
const MARGIN = 2;
/** Cents beside a note from which on they are told. */
const TOLD = 15;

/** The pitch of what was sung or played as a line over time, over the notes that it is compared with. */
export function SungLine({ frames, boxes, cents }: SungLineProps) {
  const low = Math.min(...boxes.map(({ midi }) => midi)) - MARGIN;
  const high = Math.max(...boxes.map(({ midi }) => midi)) + MARGIN;
  const end = boxes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), 0);
  const width = Math.max(end, frames.at(-1)?.time ?? 1) * SECOND + 24;
  const height = (high - low + 1) * STEP;
  const path = useMemo(() => pitchPath(frames, high, cents / 100), [frames, high, cents]);
  return (
    <figure className={styles.line} aria-label={SUNG_LINE}>
      <div className={styles.drawing} style={{ width, height }}>
        {boxes.map(({ onset, duration, midi, label, beside, isMissed }, at) => (
          // Boxes have no name but their place.
          <div
            key={at}
            className={styles.note}
            data-missed={isMissed || undefined}
            style={{
              left: onset * SECOND,
              width: Math.max(4, duration * SECOND - 2),
              top: (high - midi) * STEP - STEP / 2,
              height: STEP * 2,
            }}
          >
            <span>
              {label}
              {!isMissed && Math.abs(beside) >= TOLD && <small>{centsText(beside)}</small>}
            </span>
          </div>
        ))}
        <svg className={styles.pitch} viewBox={`0 0 ${width} ${height}`} aria-hidden="true">
          <path d={path} />
        </svg>
      </div>
    </figure>
  );
}
