import { memo, useMemo } from "react";
import { chordNotes } from "@/core/chord";
import {
  type AnalysisKind,
  type Change,
  type ChartAnalysis,
  changesOf,
  type Fit,
  fitOf,
} from "@/core/progression";
import { brightness, type HomeMode } from "@/core/scale";
import { ChordStrip } from "@/kit/pitch-strip";
import { shadeOf } from "@/kit/shade";
import { useWording } from "@/session/settings/useConventions";
import { ANALYSIS_TEXT, changeText, homeModeText, outsideText, shortHomeModeText } from "@/words";
import styles from "./Chart.module.css";
import { SHORT, widthOf } from "./chord-width";
import { type LaidBar, type Placed, type Run, runsOf } from "./lines";

interface BandProps {
  readonly analysis: ChartAnalysis;
  readonly line: readonly LaidBar[];
  readonly columns: number;
  readonly isSelected: boolean;
  readonly chosen: number;
  /** Selects the analysis of a kind, and a chord. */
  readonly onBand: (kind: AnalysisKind, at: number) => void;
}

/** The analysis of one kind under a line: its modes in their shades, at each change the note that changes. */
export function Band({ analysis, line, columns, isSelected, chosen, onBand }: BandProps) {
  const changes = useMemo(() => changesOf(analysis), [analysis]);
  const runs = useMemo(() => runsOf(analysis, line, columns), [analysis, line, columns]);
  return (
    <div
      className={styles.band}
      data-in-hand={isSelected || undefined}
      data-changes={runs.some(({ begins, segment }) => begins && segment.from > 0) || undefined}
      data-kind={analysis.kind}
    >
      {runs.map((run) => (
        <RunBlock
          key={run.segment.from}
          run={run}
          kind={analysis.kind}
          holdsChosen={run.chords.some(({ at }) => at === chosen)}
          change={run.begins ? changes.find(({ at }) => at === run.segment.from) : undefined}
          onBand={onBand}
        />
      ))}
    </div>
  );
}

interface RunBlockProps {
  readonly run: Run;
  readonly kind: AnalysisKind;
  readonly change: Change | undefined;
  /** The selected chord stands in it: of its band it is the stop for the tab key. */
  readonly holdsChosen: boolean;
  readonly onBand: BandProps["onBand"];
}

/** The part of a segment that stands in a line; pressing it selects its analysis. */
const RunBlock = memo(function RunBlock({ run, kind, change, holdsChosen, onBand }: RunBlockProps) {
  useWording();
  const { homeMode } = run.segment;
  const isShort = run.width < 0.2;
  const bars = run.chords.reduce((sum, { each }) => sum + each.length, 0);
  const name = homeModeText(homeMode);
  const first = run.chords[0]?.at ?? 0;
  const changes = change && changeText(change);
  return (
    <div
      className={styles.run}
      style={{ left: `${run.left * 100}%`, width: `${run.width * 100}%` }}
      data-shade={shadeOf(brightness(homeMode.mode.intervals))}
      data-short={isShort || undefined}
    >
      {changes !== undefined && (
        <span className={styles.change} title={changes}>
          {changes}
        </span>
      )}
      <button
        type="button"
        className={styles.name}
        title={name}
        tabIndex={holdsChosen ? 0 : -1}
        data-stop={kind}
        aria-label={`${ANALYSIS_TEXT[kind]}: ${name} from bar ${run.chords[0]?.each.bar ?? 0}${changes === undefined ? "" : `, ${changes}`}`}
        onClick={() => onBand(kind, first)}
      >
        {isShort ? shortHomeModeText(homeMode) : name}
      </button>
      <div className={styles.strips}>
        {run.chords.map((placed) => (
          <BandCell
            key={placed.at}
            placed={placed}
            homeMode={homeMode}
            bars={bars}
            isUnderName={placed === run.chords[0]}
          />
        ))}
      </div>
    </div>
  );
});

interface BandCellProps {
  readonly placed: Placed;
  /** Bars of the run that it is a part of. */
  readonly bars: number;
  readonly homeMode: HomeMode;
  /** The name of the mode stands over it, so there is room for the note alone. */
  readonly isUnderName: boolean;
}

function BandCell({ placed, bars, homeMode, isUnderName }: BandCellProps) {
  const { chord } = placed.each;
  if (!chord) return <span className={styles.under} style={widthOf(placed, bars)} />;
  const fit = fitOf(chord, homeMode);
  return (
    <span className={styles.under} style={widthOf(placed, bars)}>
      <ChordStrip fit={fit} tones={chordNotes(chord)} />
      {fit.outside.length > 0 && (
        <span className={styles.outside} title={`${outsideText(fit)} outside`}>
          {outsideShort(fit, isUnderName || placed.each.length < SHORT)}
        </span>
      )}
    </span>
  );
}

/** "C outside", "2 outside"; in little room the note or the number alone. */
function outsideShort(fit: Fit, isShort: boolean): string {
  const what = fit.outside.length === 1 ? outsideText(fit) : String(fit.outside.length);
  return isShort ? what : `${what} outside`;
}
