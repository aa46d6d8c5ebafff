import type { ChartAnalysis, AnalysisKind } from "@/core/progression";
import { modesText, ANALYSIS_TEXT, analysisText, kindsText } from "@/words";
import styles from "./KindHead.module.css";

interface KindHeadProps {
  readonly analysis: ChartAnalysis;
  /** The kinds that come to the same. */
  readonly kinds: readonly AnalysisKind[];
  /** All analyses of its kind, best first. */
  readonly all: readonly ChartAnalysis[];
  readonly isSelected: boolean;
  readonly onKind: (kind: AnalysisKind) => void;
  readonly onRank: (kind: AnalysisKind, rank: number) => void;
}

/** What an analysis says, over its band, and the next best of its kind. */
export function KindHead({ analysis, kinds, all, isSelected, onKind, onRank }: KindHeadProps) {
  const { kind } = analysis;
  const rank = all.indexOf(analysis);
  return (
    <div className={styles.kind}>
      <button type="button" className={styles.take} aria-pressed={isSelected} onClick={() => onKind(kind)}>
        {kindsText(kinds)}
      </button>
      <span className={styles.says} title={modesText(analysis)}>
        {kinds.length > 1 ? `the same: ${analysisText(analysis)}` : analysisText(analysis)}
      </span>
      {all.length > 1 && (
        <span className={styles.steps}>
          <button
            type="button"
            aria-label={`${ANALYSIS_TEXT[kind]}: the better one before`}
            disabled={rank === 0}
            onClick={() => onRank(kind, rank - 1)}
          >
            ‹
          </button>
          {`${rank + 1} of ${all.length}`}
          <button
            type="button"
            aria-label={`${ANALYSIS_TEXT[kind]}: the next best analysis`}
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
