import type { ChartReading, ReadingKind, Readings } from "@/core/progression";
import { modesText, READING_TEXT, readingText } from "@/ui/words";
import styles from "./Kinds.module.css";

interface KindsProps {
  readonly readings: Readings;
  readonly kinds: readonly ReadingKind[];
  readonly inHand: ReadingKind;
  /** Which of the best readings of each kind is shown, from 0. */
  readonly ranks: Readonly<Partial<Record<ReadingKind, number>>>;
  readonly onKind: (kind: ReadingKind) => void;
  readonly onRank: (kind: ReadingKind, rank: number) => void;
}

/** The reading of a kind at a rank, the last where there are not so many. */
export function rankedReading(
  readings: Readings,
  kind: ReadingKind,
  ranks: KindsProps["ranks"],
): ChartReading | undefined {
  const all = readings[kind];
  return all[Math.min(ranks[kind] ?? 0, all.length - 1)];
}

/** What each reading says, and the next best of its kind. */
export function Kinds({ readings, kinds, inHand, ranks, onKind, onRank }: KindsProps) {
  return (
    <ul className={styles.kinds} aria-label="Readings">
      {kinds.map((kind) => {
        const reading = rankedReading(readings, kind, ranks);
        if (!reading) return null;
        const all = readings[kind];
        const rank = all.indexOf(reading);
        return (
          <li key={kind} className={styles.kind}>
            <button
              type="button"
              className={styles.take}
              aria-pressed={kind === inHand}
              onClick={() => onKind(kind)}
            >
              {READING_TEXT[kind]}
            </button>
            <span className={styles.says} title={modesText(reading)}>
              {readingText(reading)}
            </span>
            {all.length > 1 && (
              <span className={styles.steps}>
                <button
                  type="button"
                  aria-label={`${READING_TEXT[kind]}: the reading before`}
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
          </li>
        );
      })}
    </ul>
  );
}
