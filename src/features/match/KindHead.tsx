import type { ChartReading, ReadingKind } from "@/core/progression";
import { modesText, READING_TEXT, readingText } from "@/words";
import styles from "./KindHead.module.css";

interface KindHeadProps {
  readonly reading: ChartReading;
  /** All readings of its kind, best first. */
  readonly all: readonly ChartReading[];
  readonly isInHand: boolean;
  readonly onKind: (kind: ReadingKind) => void;
  readonly onRank: (kind: ReadingKind, rank: number) => void;
}

/** What a reading says, over its band, and the next best of its kind. */
export function KindHead({ reading, all, isInHand, onKind, onRank }: KindHeadProps) {
  const { kind } = reading;
  const rank = all.indexOf(reading);
  return (
    <div className={styles.kind}>
      <button type="button" className={styles.take} aria-pressed={isInHand} onClick={() => onKind(kind)}>
        {READING_TEXT[kind]}
      </button>
      <span className={styles.says} title={modesText(reading)}>
        {readingText(reading)}
      </span>
      {all.length > 1 && (
        <span className={styles.steps}>
          <button
            type="button"
            aria-label={`${READING_TEXT[kind]}: the better one before`}
            disabled={rank === 0}
            onClick={() => onRank(kind, rank - 1)}
          >
            ‹
          </button>
          {`${rank + 1} of ${all.length}`}
          <button
            type="button"
            aria-label={`${READING_TEXT[kind]}: the next best reading`}
            disabled={rank === all.length - 1}
            onClick={() => onRank(kind, rank + 1)}
          >
            ›
          </button>
        </span>
      )}
    </div>
  );
}
