import { type Chart, chordNotes, romanNumeral } from "@/core/chord";
import { type ChartAnalysis, changesOf, fitOf, segmentAt } from "@/core/progression";
import { brightness, type HomeMode } from "@/core/scale";
import { type ChordCell, chordCells } from "@/kit/pitch-strip";
import { shadeOf } from "@/kit/shade";
import { INK, INNER, Label, LINE, LIT, MARGIN, OUTSIDE, PAPER, SHADE_PAPERS, SOFT } from "@/kit/sheet";
import { ModesSheet } from "@/shell/print";
import { barSpansText, changeText, homeModeText, LEAD_SHEET, shortHomeModeText, symbolText } from "@/words";
import { type LaidBar, linesOf, type Run, runsOf } from "./lines";

interface LeadSheetProps {
  readonly chart: Chart;
  readonly title: string;
  /** The whole chart in a line. */
  readonly answer: string;
  readonly analysis: ChartAnalysis | undefined;
  readonly open: boolean;
  readonly onClose: () => void;
}

/** Bars to a line of the page. */
const BARS = 4;

const LINE_HEIGHT = 118;
const SECTION = 24;
const BAND = 48;

/** Each mode of an analysis once, with the bars where it holds. */
function modesOf({ segments }: ChartAnalysis, { chords }: Chart) {
  const byName = new Map<string, { homeMode: HomeMode; bars: number[] }>();
  for (const { from, to, homeMode } of segments) {
    const key = `${homeMode.home} ${homeMode.mode.id}`;
    const bars = chords.slice(from, to + 1).map(({ bar }) => bar);
    byName.set(key, { homeMode, bars: [...(byName.get(key)?.bars ?? []), ...bars] });
  }
  return [...byName.values()].map(({ homeMode, bars }) => ({ homeMode, where: barSpansText(bars) }));
}

/** A chart as a lead sheet: chords over the band of its analysis, then each of its modes. */
export function LeadSheet({ chart, title, answer, analysis, open, onClose }: LeadSheetProps) {
  return (
    <ModesSheet
      title={LEAD_SHEET}
      fileName="lead-sheet"
      name={title || LEAD_SHEET}
      answer={answer}
      parts={() =>
        linesOf(chart, BARS).map((line) => ({
          height: LINE_HEIGHT + (line[0]?.bar.section === undefined ? 0 : SECTION),
          draw: (y) => <ChartLine line={line} analysis={analysis} y={y} />,
        }))
      }
      modes={analysis ? modesOf(analysis, chart) : []}
      open={open}
      onClose={onClose}
    />
  );
}

interface ChartLineProps {
  readonly line: readonly LaidBar[];
  readonly analysis: ChartAnalysis | undefined;
  readonly y: number;
}

const BAR = INNER / BARS;

/** A line of bars: symbols and numerals, and the band of the analysis with a strip for each chord. */
function ChartLine({ line, analysis, y }: ChartLineProps) {
  const section = line[0]?.bar.section;
  const top = y + (section === undefined ? 0 : SECTION);
  const changes = analysis ? changesOf(analysis) : [];
  return (
    <g>
      {section !== undefined && (
        <Label x={MARGIN} y={y + 16} size={14} weight={680}>
          {section}
        </Label>
      )}
      {line.map(({ bar, chords }, column) => {
        const x = MARGIN + column * BAR;
        const offsets = chords.map((_, at) =>
          chords.slice(0, at).reduce((sum, { each }) => sum + each.length, 0),
        );
        return (
          <g key={bar.number}>
            <rect x={x} y={top} width={bar.opens ? 4 : 1} height={44} fill={INK} />
            {bar.times > 1 && <rect x={x + BAR - 4} y={top} width={4} height={44} fill={INK} />}
            {bar.endings.length > 0 && (
              <Label x={x + 5} y={top + 9} size={10} fill={SOFT}>{`${bar.endings.join(", ")}.`}</Label>
            )}
            {bar.times > 2 && (
              <Label x={x + BAR - 8} y={top + 9} size={10} fill={SOFT} anchor="end">{`×${bar.times}`}</Label>
            )}
            {chords.map(({ at, each }, n) => {
              const homeMode = analysis && segmentAt(analysis, at)?.homeMode;
              const left = x + (offsets[n] ?? 0) * BAR + 8;
              const symbol = symbolText(each.symbol);
              const room = each.length * BAR - 10;
              return (
                <g key={at}>
                  <Label x={left} y={top + 26} size={Math.min(19, (room / symbol.length) * 1.7)} weight={680}>
                    {symbol}
                  </Label>
                  <Label x={left} y={top + 41} size={11} fill={SOFT}>
                    {each.chord && homeMode
                      ? romanNumeral(each.chord.root - homeMode.home, each.chord.tones, "signs")
                      : ""}
                  </Label>
                </g>
              );
            })}
          </g>
        );
      })}
      <rect x={MARGIN} y={top + 46} width={BAR * line.length} height={2} fill={INK} />
      {analysis &&
        runsOf(analysis, line, BARS).map((run) => (
          <RunDrawing
            key={run.segment.from}
            run={run}
            y={top + 56}
            change={run.begins ? changes.find(({ at }) => at === run.segment.from) : undefined}
          />
        ))}
    </g>
  );
}

interface RunDrawingProps {
  readonly run: Run;
  readonly y: number;
  readonly change: ReturnType<typeof changesOf>[number] | undefined;
}

/** A part of the band: the mode in its shade, what changes at its start, and a strip for each chord. */
function RunDrawing({ run, y, change }: RunDrawingProps) {
  const { homeMode } = run.segment;
  const shade = shadeOf(brightness(homeMode.mode.intervals));
  const x = MARGIN + run.left * INNER;
  const width = run.width * INNER;
  const isDark = shade === "-2" || shade === "-3";
  const said = change && changeText(change);
  const bars = run.chords.reduce((sum, { each }) => sum + each.length, 0);
  const name = width < 110 ? shortHomeModeText(homeMode) : homeModeText(homeMode);
  return (
    <g>
      <rect x={x} y={y} width={width} height={BAND} fill={SHADE_PAPERS[shade] ?? LINE} />
      <Label x={x + 8} y={y + 14} size={12} weight={640} fill={isDark ? PAPER : INK}>
        {name}
      </Label>
      {said !== undefined && width >= 150 && (
        <Label x={x + width - 8} y={y + 14} size={11} anchor="end" fill={isDark ? PAPER : INK}>
          {said}
        </Label>
      )}
      {run.chords.map(({ at, each }, n) => {
        if (!each.chord) return null;
        const before = run.chords.slice(0, n).reduce((sum, chord) => sum + chord.each.length, 0);
        const left = x + (before / bars) * width + 8;
        const room = Math.min(108, (each.length / bars) * width - 14);
        const kinds = chordCells(fitOf(each.chord, homeMode), chordNotes(each.chord));
        return <StripDrawing key={at} kinds={kinds} x={left} y={y + BAND - 2} width={room} />;
      })}
    </g>
  );
}

/** How high a cell of the small strip stands, as a share of its height. */
const CELL_HEIGHT: Readonly<Record<ChordCell, number>> = {
  shut: 0.35,
  tone: 1,
  characteristic: 1,
  outside: 1,
  avoid: 0.5,
  other: 0.5,
};
const CELL_FILL: Readonly<Record<ChordCell, string>> = {
  shut: "#9aa8a8",
  tone: INK,
  characteristic: LIT,
  outside: PAPER,
  avoid: OUTSIDE,
  other: PAPER,
};
const STRIP = 26;

function StripDrawing(props: {
  readonly kinds: readonly ChordCell[];
  readonly x: number;
  readonly y: number;
  readonly width: number;
}) {
  const { kinds, x, y, width } = props;
  const wide = width / 12;
  return (
    <g>
      {kinds.map((kind, step) => {
        const height = STRIP * CELL_HEIGHT[kind];
        return (
          <rect
            key={step}
            x={x + step * wide}
            y={y - height}
            width={wide - 1}
            height={height}
            fill={CELL_FILL[kind]}
            stroke={kind === "outside" ? OUTSIDE : kind === "shut" ? "none" : INK}
            strokeWidth={0.7}
            strokeDasharray={kind === "outside" ? "2 1.5" : undefined}
          />
        );
      })}
    </g>
  );
}
