import { useStore } from "@nanostores/react";
import { type ReactNode, useMemo, useState } from "react";
import { type Lock, withLock } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import { chordBefore, decisions, guideLines, keyModeAt, segmentAt } from "@/core/progression";
import type { Problem } from "@/core/problem";
import { modesOfFamilies, notesOf } from "@/core/scale";
import { chordsOfNumerals } from "@/formats/numerals";
import { alternating, chartScore, modeScore, targetScore } from "@/audio";
import {
  $heardPlaces,
  $toSave,
  $ready,
  $settings,
  changeSettings,
  openFiles,
  swapLive,
  toggle,
  whenComputed,
} from "@/session";
import { chartDocument } from "./chart-document";
import { ChartEditor, completionsFor } from "@/kit/chart-editor";
import { useIncoming } from "@/session/place/useIncoming";
import { useKeys } from "@/session/place/useKeys";
import { laterDialog } from "@/kit/later";
import { Problems } from "@/kit/problems";
import { chartAnswerText, homeModeText, keyAtText, problemText } from "@/words";
import { beginCharts } from "@/workers";
import view from "@/shell/frame/View.module.css";
import { Chart } from "./Chart";
import { ChartMap } from "./ChartMap";
import own from "./ChartShow.module.css";
import { ChartTools } from "./ChartTools";
import { ChordPanel } from "./ChordPanel";
import { EmptyChart } from "./EmptyChart";
import { NumeralsOffer } from "./NumeralsOffer";
import { $selected, choose, chooseIn, mark, nextKind, rank, rankKind, setKind, step } from "./selected";
import { $analysed, $open, $typed, storedAs } from "./analysed";
import { MATCH } from "./route";
import { $onChart, showArpeggio } from "./selection";
import { SetByHand } from "./SetByHand";
import { placeAtCursor, placesToLoop, rangesToSet } from "./range";
import { useChartFile } from "./useChartFile";
import { useFollowing } from "./useFollowing";

const FilesDialog = laterDialog("Files", () =>
  import("./FilesDialog").then(({ FilesDialog }) => FilesDialog),
);
const LeadSheet = laterDialog("Print", () => import("./LeadSheet").then(({ LeadSheet }) => LeadSheet));
const AnalysisDialog = laterDialog("Analysis", () =>
  import("./AnalysisDialog").then(({ AnalysisDialog }) => AnalysisDialog),
);

const NONE: readonly Fifths[] = [];
const NO_PROBLEMS: readonly Problem[] = [];

/** From so many bars on the whole has a map. */
const LONG = 17;

interface ChartShowProps {
  readonly tabs: ReactNode;
}

/** A chart of chords with its three analyses, and the panel about the selected chord. */
export function ChartShow({ tabs }: ChartShowProps) {
  const { title: chartTitle } = useStore(chartDocument.$value);
  const { families, follow, guides } = useStore($settings);
  const isReady = useStore($ready);
  const { text, shown: shownText, naming, problems } = useStore($typed);
  const { text: readText, chart, analyses } = useStore($analysed);
  const [dialog, setDialog] = useState<"files" | "analyses" | "print">();
  const { chosen, last, range, kind, shown, analysis, segment } = useStore($selected);
  const { targets = NONE, arpeggio } = useStore($onChart) ?? {};
  const file = useChartFile((isRead) => setDialog(isRead ? undefined : "files"));

  useIncoming(MATCH, (files) => {
    if (files[0]) void file.open(files[0]);
  });

  const scales = useMemo(() => modesOfFamilies(families), [families]);
  const homeMode = segment?.homeMode;
  const open = useStore($open);
  const deciding = useMemo(
    () => (segment ? decisions(segment, chart.chords, { scales }) : []),
    [segment, chart, scales],
  );
  const lines = useMemo(() => guideLines(chart.chords.map(({ chord }) => chord)), [chart]);
  const homes = useMemo(() => {
    const roots = chart.chords.flatMap(({ chord }) =>
      chord ? [[soundOf(chord.root), chord.root] as const] : [],
    );
    return [...new Map(roots).values()];
  }, [chart]);
  const isNumerals = useMemo(
    () => problems.length > 0 && chordsOfNumerals(text, 0) !== undefined,
    [problems, text],
  );
  useFollowing(follow, chart, choose);

  const put = (chords: string, as?: string) => chartDocument.change({ chords }, as);
  const type = (next: string, isTyped: boolean) => put(storedAs(next), isTyped ? "typing" : undefined);
  const play = (name: string, places: readonly number[], score = chartScore(chart, places)) => {
    $heardPlaces.set(places);
    toggle(name, score);
  };
  const loop = () => play("bar", placesToLoop(chart, range));
  const practise = () => {
    const [note] = targets;
    if (note === undefined || !analysis) return;
    const { targetWay: way } = $settings.get();
    const around = [...new Set([chordBefore(chart, chosen) ?? chosen, chosen])].toSorted((a, b) => a - b);
    const notesAt = (place: number) => {
      const current = segmentAt(analysis, place)?.homeMode;
      return current ? notesOf(current) : [];
    };
    play("target", around, targetScore(chart, around, { at: chosen, note, way }, notesAt));
  };
  const rival = deciding.find(({ by }) => by === "notes")?.between[1] ?? deciding[0]?.between[1];
  const hearTwo = () => {
    if (!swapLive() && homeMode && rival)
      toggle("two", alternating(modeScore(homeMode, true), modeScore(rival, true)));
  };
  const save = () => {
    const title = chartTitle || (homeMode ? `Chords in ${homeModeText(homeMode)}` : "Chords");
    if (text.trim() !== "") $toSave.set({ kind: "progression", title, words: "", chords: text.trim() });
  };
  const print = () => whenComputed(() => setDialog("print"));
  const setLock = (from: number, to: number, lock: Lock | undefined) => {
    // The places are those of the chart that was read: what has been typed since is not to be lost.
    if (readText !== text) return;
    choose(chosen, false);
    chartDocument.change({ chords: withLock(text, from, to, lock) });
  };

  useKeys("Match", [
    { key: "ArrowLeft", says: "The chord before", act: () => step(-1) },
    { key: "ArrowRight", says: "The next chord", act: () => step(1) },
    { key: "x", says: "Begin or end a selection", act: mark },
    { key: "b", says: "Select the next analysis", act: nextKind },
    { key: "]", says: "The next best of its kind", act: () => rank(1) },
    { key: "[", says: "The better one before", act: () => rank(-1) },
    { key: "l", says: "Loop this bar, or the selection", act: loop },
    { key: "r", says: "Practise the target note", act: practise },
    { key: "s", says: "Hear the two choices, alternating", act: hearTwo },
    { key: "f", says: "Follow what sounds", act: () => changeSettings({ follow: !follow }) },
    { key: "e", says: "Files: open and save", act: () => setDialog("files") },
    { key: "P", says: "Print the lead sheet", act: () => text.trim() !== "" && print() },
    { key: "k", says: "Save these chords", act: save },
  ]);

  const isEmpty = text.trim() === "";
  const place = chart.chords[chosen];
  return (
    <div className={view.view}>
      <div className={view.answer}>
        <div className={own.top}>
          {tabs}
          <ChartTools
            text={text}
            home={homeMode?.home}
            scales={scales.length}
            onText={(next) => put(next)}
            onAnalysis={() => setDialog("analyses")}
            onFiles={() => setDialog("files")}
            onPrint={print}
          />
        </div>
        <h1 className="visually-hidden">Match modes and chords</h1>
        <div className={own.over} onFocus={beginCharts}>
          <span>Over</span>
          {isReady && (
            <ChartEditor
              label="Over"
              value={shownText}
              onChange={type}
              onUndo={chartDocument.undo}
              onRedo={chartDocument.redo}
              problems={problems}
              says={(problem) => problemText(problem, shownText)}
              complete={(before) => completionsFor(before, homeMode, scales, naming)}
              onCursor={(offset) => {
                const found = placeAtCursor(chart, offset);
                if (found !== undefined) choose(found, false);
              }}
            />
          )}
        </div>
        <Problems problems={isNumerals ? NO_PROBLEMS : problems} text={shownText} />
        {isNumerals && <NumeralsOffer text={text} onTake={(chords) => put(chords)} />}
        {isEmpty && isReady ? (
          <EmptyChart onTake={file.take} />
        ) : (
          <>
            {analysis && chart.bars.length >= LONG && (
              <ChartMap
                chart={chart}
                analysis={analysis}
                chosen={chosen}
                onChoose={(next) => choose(next, false)}
              />
            )}
            <div className={own.chart} role="region" aria-label="Chart" tabIndex={-1}>
              <Chart
                chart={chart}
                shown={shown}
                guides={guides ? lines : undefined}
                analyses={analyses}
                selectedKind={kind}
                range={range}
                onChoose={choose}
                onBand={chooseIn}
                onKind={setKind}
                onRank={rankKind}
              />
              {shown.length > 0 && <Key />}
            </div>
          </>
        )}
      </div>
      {chart.chords.length > 0 && !isEmpty && (
        <ChordPanel
          chart={chart}
          at={chosen}
          targets={targets}
          analysis={analysis}
          segment={segment}
          deciding={deciding}
          keyOf={keyAtText(analyses.keys, chart.chords, chosen)}
          keyMode={keyModeAt(analyses.keys, chosen, homeMode)}
          open={
            analysis && analysis.segments.length === 1 && analysis.kind !== "chord-by-chord"
              ? open
              : undefined
          }
          arpeggio={arpeggio}
          onArpeggio={showArpeggio}
          scales={scales}
          rival={rival}
          setting={
            place && segment ? (
              <SetByHand
                at={chosen}
                place={place}
                homeMode={segment.homeMode}
                homes={homes}
                scales={scales}
                over={rangesToSet(range, segment, last)}
                onSet={setLock}
              />
            ) : undefined
          }
          onLoop={loop}
          onPractise={practise}
          onTwo={hearTwo}
          onSave={save}
        />
      )}
      <FilesDialog
        open={dialog === "files"}
        onClose={() => setDialog(undefined)}
        chart={chart}
        text={text}
        title={chartTitle}
        problems={file.problems}
        onFile={(chosenFile) => void openFiles([chosenFile])}
      />
      <LeadSheet
        open={dialog === "print"}
        onClose={() => setDialog(undefined)}
        chart={chart}
        title={chartTitle}
        answer={analysis ? chartAnswerText(analysis, chart, open) : ""}
        analysis={analysis}
      />
      <AnalysisDialog open={dialog === "analyses"} onClose={() => setDialog(undefined)} families={families} />
    </div>
  );
}

/** What the cells of the small strips mean. */
const Key = () => (
  <p className={own.key} aria-hidden="true">
    <span data-kind="tone">chord tone</span>
    <span data-kind="characteristic">characteristic note in the chord</span>
    <span data-kind="avoid">avoid note, a half step above a chord tone</span>
    <span data-kind="other">other scale note</span>
    <span data-kind="outside">outside the mode</span>
  </p>
);
