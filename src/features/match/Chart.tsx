import { type CSSProperties, memo, type MouseEvent, useEffect, useMemo, useRef } from "react";
import { type Chart as WholeChart, type ChartChord, romanNumeral } from "@/core/chord";
import {
  type ChartAnalysis,
  type guideLines,
  type AnalysisKind,
  type Analyses,
  type Key,
  segmentAt,
} from "@/core/progression";
import type { HomeMode } from "@/core/scale";
import { useNarrow } from "@/kit/useNarrow";
import { useWording } from "@/session/settings/useConventions";
import { noteText, placeInChartText, symbolText } from "@/words";
import { Band } from "./Band";
import styles from "./Chart.module.css";
import { SHORT, widthOf } from "./chord-width";
import { KeyRow } from "./KeyRow";
import { KindHead } from "./KindHead";
import type { ChordRange } from "./range";
import { alikeTogether, type LaidBar, linesOf, type Placed } from "./lines";

interface ChartProps {
  readonly chart: WholeChart;
  /** The analysis of each kind that stands under the chords, out of all that were found. */
  readonly shown: readonly ChartAnalysis[];
  readonly analyses: Analyses;
  /** The guide tones of each chord, where they are shown. */
  readonly guides: ReturnType<typeof guideLines> | undefined;
  /** The selected kind: numerals, panel and stage go by it. */
  readonly selectedKind: AnalysisKind;
  readonly range: ChordRange;
  readonly onChoose: (at: number, extends_: boolean) => void;
  /** A chord was chosen in the band of a kind. */
  readonly onBand: (kind: AnalysisKind, at: number) => void;
  readonly onKind: (kind: AnalysisKind) => void;
  readonly onRank: (kind: AnalysisKind, rank: number) => void;
}

/** The chords in columns a bar, and under them a band for each analysis with a strip for each chord. */
export function Chart({ chart, range, ...rest }: ChartProps) {
  const barsPerLine = useNarrow() ? 4 : 8;
  const lines = useMemo(() => linesOf(chart, barsPerLine), [chart, barsPerLine]);
  const columns = lines.length > 1 ? barsPerLine : Math.max(1, lines[0]?.length ?? 1);
  const isIn = (line: readonly LaidBar[], at: number) => {
    const [first, last] = [line[0]?.bar.from ?? 0, line.at(-1)?.bar.to ?? 0];
    return at >= first && at < last;
  };
  return (
    <div className={styles.chart} style={{ "--bars": columns } as CSSProperties}>
      {lines.map((line) => {
        const holds = isIn(line, range.at) || isIn(line, range.from) || isIn(line, range.to);
        const spans = range.from < (line[0]?.bar.from ?? 0) && range.to >= (line.at(-1)?.bar.to ?? 0);
        return (
          <Line
            key={line[0]?.bar.number}
            line={line}
            isFirst={line === lines[0]}
            keys={rest.analyses.keys}
            chords={chart.chords}
            columns={columns}
            range={holds || spans ? range : NOWHERE}
            {...rest}
          />
        );
      })}
    </div>
  );
}

const NOWHERE: ChordRange = { at: -1, from: -1, to: -1 };

interface LineProps extends Omit<ChartProps, "chart"> {
  readonly line: readonly LaidBar[];
  readonly columns: number;
  /** The first line says what its bands are. */
  readonly isFirst: boolean;
  readonly keys: readonly Key[];
  readonly chords: readonly ChartChord[];
}

/** One line of bars; drawn anew only when what it shows changes. */
const Line = memo(
  function Line(props: LineProps) {
    useWording();
    const { line, columns, isFirst, shown, analyses, guides, selectedKind, range, onChoose, onBand } = props;
    const { keys, chords } = props;
    const [first] = line;
    const row = useRef<HTMLOListElement>(null);
    const chosen = range.at;
    // The selected chord is kept in sight, also while it follows what sounds.
    useEffect(() => {
      const holds = line.some(({ bar }) => chosen >= bar.from && chosen < bar.to);
      if (!holds) return undefined;
      // With the frame, which lays the page out in any case.
      const frame = requestAnimationFrame(() => row.current?.scrollIntoView({ block: "nearest" }));
      return () => cancelAnimationFrame(frame);
    }, [chosen, line]);
    const whole = useRef<HTMLElement>(null);
    // The chords are one stop for the tab key, and so is each band: the focus goes with the arrows.
    useEffect(() => {
      const focused = document.activeElement;
      if (!(focused instanceof HTMLElement) || !focused.matches("[data-stop]")) return;
      if (!focused.closest("[role=region]")?.contains(whole.current)) return;
      whole.current
        ?.querySelector<HTMLElement>(`[data-stop="${focused.dataset.stop ?? ""}"][tabindex="0"]`)
        ?.focus({ preventScroll: true });
    }, [chosen]);
    const analysis = shown.find(({ kind }) => kind === selectedKind) ?? shown[0];
    return (
      <section ref={whole} className={styles.line} id={`bars-${first?.bar.number ?? 0}`}>
        {first?.bar.section !== undefined && <h3 className={styles.sectionName}>{first.bar.section}</h3>}
        <ol ref={row} className={styles.bars} aria-label={`Bars from ${first?.bar.number ?? 0}`}>
          {line.map((laid) => (
            <Bar key={laid.bar.number} laid={laid} analysis={analysis} range={range} onChoose={onChoose} />
          ))}
        </ol>
        <KeyRow keys={keys} chords={chords} line={line} columns={columns} isFirst={isFirst} />
        {guides && <GuideRow line={line} guides={guides} />}
        {alikeTogether(shown, selectedKind).map(({ analysis: each, kinds }) => (
          <div key={kinds.join(" ")} className={styles.analysis}>
            {isFirst && (
              <KindHead
                analysis={each}
                kinds={kinds}
                all={analyses[each.kind]}
                isSelected={each.kind === selectedKind}
                onKind={props.onKind}
                onRank={props.onRank}
              />
            )}
            <Band
              analysis={each}
              line={line}
              columns={columns}
              isSelected={each.kind === selectedKind}
              chosen={chosen}
              onBand={onBand}
            />
          </div>
        ))}
      </section>
    );
  },
  (before, after) =>
    before.range === after.range &&
    before.shown === after.shown &&
    before.keys === after.keys &&
    before.guides === after.guides &&
    before.selectedKind === after.selectedKind &&
    before.columns === after.columns &&
    before.onChoose === after.onChoose &&
    before.onBand === after.onBand &&
    before.onKind === after.onKind &&
    before.onRank === after.onRank &&
    before.line.length === after.line.length &&
    before.line.every(({ bar }, at) => bar === after.line[at]?.bar),
);

interface BarProps {
  readonly laid: LaidBar;
  readonly analysis: ChartAnalysis | undefined;
  readonly range: ChordRange;
  readonly onChoose: ChartProps["onChoose"];
}

function Bar({ laid: { bar, chords }, analysis, range, onChoose }: BarProps) {
  const ending = bar.endings.length > 0 ? `${bar.endings.join(", ")}.` : "";
  return (
    <li
      className={styles.bar}
      data-opens={bar.opens || undefined}
      data-closes={bar.times > 1 || undefined}
      data-ending={ending === "" ? undefined : ending}
    >
      {ending !== "" && <span className={styles.ending}>{ending}</span>}
      {chords.map((placed) => (
        <ChordCell
          key={placed.at}
          placed={placed}
          homeMode={analysis && segmentAt(analysis, placed.at)?.homeMode}
          isChosen={placed.at === range.at}
          isMarked={placed.at >= range.from && placed.at <= range.to && range.from < range.to}
          onChoose={onChoose}
        />
      ))}
      {bar.times > 2 && <span className={styles.times}>{`×${bar.times}`}</span>}
    </li>
  );
}

interface ChordCellProps {
  readonly placed: Placed;
  readonly homeMode: HomeMode | undefined;
  readonly isChosen: boolean;
  readonly isMarked: boolean;
  readonly onChoose: ChartProps["onChoose"];
}

const ChordCell = memo(function ChordCell(props: ChordCellProps) {
  useWording();
  const { placed, homeMode, isChosen, isMarked, onChoose } = props;
  const { at, each } = placed;
  const { chord, symbol } = each;
  const roman = chord && homeMode ? romanNumeral(chord.root - homeMode.home, chord.tones, "signs") : "";
  const isUnread = !chord && symbol !== "N.C.";
  return (
    <button
      type="button"
      className={styles.cell}
      style={widthOf(placed)}
      aria-pressed={isChosen}
      tabIndex={isChosen ? 0 : -1}
      data-stop="chords"
      aria-label={placeInChartText(each, roman, homeMode)}
      data-unread={isUnread || undefined}
      data-short={each.length < SHORT || undefined}
      data-marked={isMarked || undefined}
      onClick={(event: MouseEvent) => onChoose(at, event.shiftKey)}
    >
      <span className={styles.symbol}>{symbolText(symbol)}</span>
      <span className={styles.roman}>
        {isUnread ? "not read" : roman}
        {each.lock && <span className={styles.lock}>set</span>}
      </span>
    </button>
  );
});

/** How a guide line goes on: up, down, or held. */
const WAY = { up: "↗", down: "↘", held: "–" } as const;

/** The two guide lines under a line of bars: each chord's third and seventh, and how they were reached. */
function GuideRow({
  line,
  guides,
}: {
  readonly line: readonly LaidBar[];
  readonly guides: ReturnType<typeof guideLines>;
}) {
  return (
    <ol className={styles.guides} aria-label="Guide tones">
      {line.map(({ bar, chords }) => (
        <li key={bar.number}>
          {chords.map((placed) => (
            <span key={placed.at} className={styles.guide} style={widthOf(placed)}>
              {guides[placed.at]?.map(({ note, move }, voice) => (
                <span key={voice}>
                  {move !== undefined && (
                    <i aria-hidden="true">{move === 0 ? WAY.held : move > 0 ? WAY.up : WAY.down}</i>
                  )}
                  {noteText(note)}
                </span>
              ))}
            </span>
          ))}
        </li>
      ))}
    </ol>
  );
}
