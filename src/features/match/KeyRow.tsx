import { useMemo } from "react";
import type { ChartChord } from "@/core/chord";
import type { Key } from "@/core/progression";
import { useWording } from "@/session/settings/useConventions";
import { KEY_TITLE, keysText, KEYS_TITLE, majorMinorText, keyWithChordsText } from "@/words";
import { type LaidBar, runsOf } from "./lines";
import styles from "./KeyRow.module.css";

interface KeyRowProps {
  readonly keys: readonly Key[];
  readonly chords: readonly ChartChord[];
  readonly line: readonly LaidBar[];
  readonly columns: number;
  /** The first line says what it is. */
  readonly isFirst: boolean;
}

/** The keys under a line of bars, as a musician marks them: what is only tonicised stays in its key. */
export function KeyRow({ keys, chords, line, columns, isFirst }: KeyRowProps) {
  useWording();
  const runs = useMemo(() => runsOf({ segments: keys }, line, columns), [keys, line, columns]);
  if (keys.length === 0) return null;
  return (
    <div className={styles.row} role="group" aria-label={`${KEYS_TITLE}: ${keysText(keys, chords)}`}>
      {runs.map(({ segment, left, width, begins }, nth) => {
        const says = keyWithChordsText(segment, chords);
        return (
          <span
            key={segment.from}
            className={styles.key}
            style={{ left: `${left * 100}%`, width: `${width * 100}%` }}
            title={[majorMinorText(segment), says].filter((each) => each !== "").join(": ")}
          >
            {isFirst && nth === 0 && <i>{keys.length > 1 ? KEYS_TITLE : KEY_TITLE}</i>}
            <b>{majorMinorText(segment)}</b>
            {begins && says !== "" && <small>{says}</small>}
          </span>
        );
      })}
    </div>
  );
}
