import type { ChartReading, ReadingKind, Readings } from "@/core/progression";
import { modesText, READING_TEXT, readingText } from "@/words";
import styles from "./KindHead.module.css";

/** Which of the best readings of each kind is shown, from 0. */
export type Ranks = Readonly<Partial<Record<ReadingKind, number>>>;

/** The reading of a kind at a rank, the last where there are not so many. */
export function rankedReading(readings: Readings, kind: ReadingKind, ranks: Ranks): ChartReading | undefined {
  const all = readings[kind];
  return all[Math.min(ranks[kind] ?? 0, all.length - 1)];
}

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
