import { useStore } from "@nanostores/react";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { chordNotes, type Lock, plainestInterval, transposeChart, withLock } from "@/core/chord";
import { type Fifths, soundOf } from "@/core/pitch";
import type { Problem } from "@/core/problem";
import {
  type ChartReading,
  decisions,
  guideLines,
  guideTonesOf,
  neighboursOf,
  READING_KINDS,
  type ReadingKind,
  segmentAt,
  signalNotes,
} from "@/core/progression";
import { colourOn, colourSwap, modesOfFamilies, notesOf } from "@/core/scale";
import { DEMO_PROGRESSIONS } from "@/demo";
import { byTurns, chartScore, modeScore, signalScore } from "@/sound";
import {
  $draft,
  $heardPlaces,
  $keeping,
  $mark,
  $place,
  $playing,
  $ready,
  $selection,
  $settings,
  changeDraft,
  changeSettings,
  MAIN,
  setPlace,
  swapLive,
  toggle,
} from "@/state";
import { ChartEditor, completionsFor } from "@/ui/chart-editor";
import { Button, Select, Toggle } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { Problems } from "@/ui/problems";
import { useSchools } from "@/ui/useSchools";
import { countText, homeModeText, noteText, problemText } from "@/ui/words";
import view from "@/ui/frame/View.module.css";
import { Chart, type Stretch } from "./Chart";
import { MOST_CHART_BYTES, readChartFile } from "./chartFiles";
import { ChartMap } from "./ChartMap";
import { ChordPanel } from "./ChordPanel";
import own from "./ChartShow.module.css";
import { FilesDialog } from "./FilesDialog";
import { rankedReading, type Ranks } from "./KindHead";
import { ReadingsDialog } from "./ReadingsDialog";
import { type Over, SetByHand } from "./SetByHand";
import { useReadings } from "./useReadings";

/** From so many bars on the whole has a map. */
const LONG = 17;

interface ChartShowProps {
  readonly tabs: React.ReactNode;
}

/** A chart of chords with its three readings, and the panel about the chord in hand. */
export function ChartShow({ tabs }: ChartShowProps) {
  const { chords: text, chartTitle } = useStore($draft);
  const { families, bands, follow, guides } = useStore($settings);
  const isReady = useStore($ready);
  const schools = useSchools();
  const { chart, readings, problems, text: readText } = useReadings(text, families);
  const scales = useMemo(() => modesOfFamilies(families), [families]);
  const [at, setAt] = useState(0);
  const [anchor, setAnchor] = useState<number>();
  const [inHand, setInHand] = useState<ReadingKind>("fewest-turns");
  const [ranks, setRanks] = useState<Ranks>({});
  const [dialog, setDialog] = useState<"files" | "readings">();
  const [fileProblems, setFileProblems] = useState<readonly Problem[]>([]);
  const [before, setBefore] = useState<{ readonly text: string; readonly title: string }>();

  const last = Math.max(0, chart.chords.length - 1);
  const chosen = Math.min(at, last);
  const stretch = useMemo<Stretch>(() => {
    const other = anchor === undefined ? chosen : Math.min(anchor, last);
    return { at: chosen, from: Math.min(chosen, other), to: Math.max(chosen, other) };
  }, [chosen, anchor, last]);
  const kinds = bands === "all" ? READING_KINDS : [bands];
  const kind = bands === "all" ? inHand : bands;
  const shown = useMemo(
    () =>
      (bands === "all" ? READING_KINDS : [bands]).flatMap((each): readonly ChartReading[] => {
        const reading = rankedReading(readings, each, ranks);
        return reading ? [reading] : [];
      }),
    [readings, bands, ranks],
  );
  const reading = shown.find((each) => each.kind === kind);
  const segment = reading && segmentAt(reading, chosen);
  const homeMode = segment?.homeMode;
  const signal = useMemo(() => signalNotes(chart, chosen), [chart, chosen]);
  const deciding = useMemo(
    () => (segment ? decisions(segment, chart.chords, { scales }) : []),
    [segment, chart, scales],
  );
  const lines = useMemo(() => guideLines(chart.chords.map((each) => each.chord)), [chart]);
  const place = chart.chords[chosen];
  const chord = place?.chord;

  // The stage is about the chord in hand: its mode, its targets, the way to them from the chord before.
  useEffect(() => {
    if (!isReady || !homeMode) return;
    const previous = chart.chords.slice(0, chosen).findLast((each) => each.chord)?.chord;
    $selection.set({
      homeMode,
      lit: signal.length > 0 ? signal.slice(0, 1) : colourOn(homeMode, schools),
      unknown: [],
      targets: chord ? chordNotes(chord) : [],
      way: chord && previous ? { from: guideTonesOf(previous), to: guideTonesOf(chord) } : undefined,
      chord,
      swap: colourSwap(homeMode.mode, schools),
      play: { code: "chords", score: chartScore(chart) },
    });
  }, [isReady, homeMode, chart, chosen, chord, signal, schools]);
  useEffect(() => {
    if (!isReady || !homeMode) return undefined;
    const timer = setTimeout(() => setPlace({ ...homeMode, chords: text }), 250);
    return () => clearTimeout(timer);
  }, [isReady, homeMode, text]);

  // While the chart is heard, the chord that sounds is taken in hand.
  useEffect(() => {
    if (!follow) return undefined;
    return $mark.listen((mark) => {
      const places = $playing.get() === MAIN ? chart.order : $heardPlaces.get();
      const next = mark === undefined ? undefined : places[mark];
      if (next === undefined) return;
      setAnchor(undefined);
      setAt(next);
    });
  }, [follow, chart]);

  const choose = useCallback((next: number, extends_: boolean) => {
    setAt((now) => {
      setAnchor((from) => (extends_ ? (from ?? now) : undefined));
      return next;
    });
  }, []);
  const chooseIn = useCallback((next: ReadingKind, place: number) => {
    setInHand(next);
    setAnchor(undefined);
    setAt(place);
  }, []);
  const rankKind = useCallback(
    (which: ReadingKind, next: number) => setRanks((now) => ({ ...now, [which]: next })),
    [],
  );
  const step = (by: 1 | -1) => choose(Math.max(0, Math.min(last, chosen + by)), anchor !== undefined);
  const type = (next: string) => {
    setRanks({});
    changeDraft({ chords: next });
  };
  /** Puts another chart into the field; the one before can be brought back. */
  const replace = (next: string, title: string) => {
    if (text.trim() !== "" && text !== next) setBefore({ text, title: chartTitle });
    setAt(0);
    setAnchor(undefined);
    setRanks({});
    changeDraft({ chords: next, chartTitle: title });
  };
  const bringBack = () => {
    if (before) changeDraft({ chords: before.text, chartTitle: before.title });
    setBefore(undefined);
  };
  const openFile = async (file: File) => {
    if (file.size > MOST_CHART_BYTES) {
      setFileProblems([{ code: "file-too-large", offset: 0, length: 0, found: file.name }]);
      setDialog("files");
      return;
    }
    const read = await readChartFile(file.name, new Uint8Array(await file.arrayBuffer()));
    setFileProblems(read.problems);
    if (read.value.text === "") {
      setDialog("files");
      return;
    }
    replace(read.value.text, read.value.title || file.name.replace(/\.[^.]+$/u, ""));
    setDialog(read.problems.length > 0 ? "files" : undefined);
  };

  const rival = deciding.find(({ by }) => by === "notes")?.between[1] ?? deciding[0]?.between[1];
  const inLoop = placesToLoop(chart.chords.length, stretch, place?.bar, chart);
  const playPlaces = (name: string, places: readonly number[], score = chartScore(chart, places)) => {
    $heardPlaces.set(places);
    toggle(name, score);
  };
  const practise = () => {
    const [note] = signal;
    if (note === undefined || !reading) return;
    const { signalWay } = $settings.get();
    const around = [...new Set([...neighboursOf(chart, chosen).slice(0, 1), chosen])].toSorted(
      (a, b) => a - b,
    );
    const notesAt = (where: number) => {
      const here = segmentAt(reading, where)?.homeMode;
      return here ? notesOf(here) : [];
    };
    playPlaces("signal", around, signalScore(chart, around, { at: chosen, note, way: signalWay }, notesAt));
  };
  const hearTwo = () => {
    if (!swapLive() && homeMode && rival)
      toggle("two", byTurns(modeScore(homeMode, true), modeScore(rival, true)));
  };
  const keep = () => {
    const title = chartTitle || (homeMode ? `Chords in ${homeModeText(homeMode)}` : "Chords");
    if (text.trim() !== "") $keeping.set({ kind: "progression", title, words: "", chords: text.trim() });
  };
  const rank = (way: 1 | -1) => {
    const all = readings[kind];
    const now = Math.min(ranks[kind] ?? 0, all.length - 1);
    rankKind(kind, Math.max(0, Math.min(all.length - 1, now + way)));
  };
  const setLock = (from: number, to: number, lock: Lock | undefined) => {
    setAnchor(undefined);
    changeDraft({ chords: withLock(readText, from, to, lock) });
  };

  useKeys("match", [
    { key: "ArrowLeft", says: "The chord before", act: () => step(-1) },
    { key: "ArrowRight", says: "The next chord", act: () => step(1) },
    {
      key: "x",
      says: "Begin or end a stretch",
      act: () => setAnchor(anchor === undefined ? chosen : undefined),
    },
    {
      key: "b",
      says: "Take the next reading in hand",
      act: () => setInHand(kinds[(kinds.indexOf(kind) + 1) % kinds.length] ?? kind),
    },
    { key: "]", says: "The next best of its kind", act: () => rank(1) },
    { key: "[", says: "The better one before", act: () => rank(-1) },
    { key: "l", says: "Loop this bar, or the stretch", act: () => playPlaces("bar", inLoop) },
    { key: "r", says: "Practise the signal note", act: practise },
    { key: "s", says: "Hear the two choices by turns", act: hearTwo },
    { key: "f", says: "Follow what sounds", act: () => changeSettings({ follow: !follow }) },
    { key: "e", says: "Files: open and save", act: () => setDialog("files") },
    { key: "k", says: "Keep these chords", act: keep },
  ]);

  const editing = useRef(onCursorTo(chart.chords));
  useEffect(() => {
    editing.current = onCursorTo(chart.chords);
  });
  const isEmpty = text.trim() === "";
  const homes = useMemo(
    () => [
      ...new Map(
        chart.chords.flatMap((each) =>
          each.chord ? [[soundOf(each.chord.root), each.chord.root] as const] : [],
        ),
      ).values(),
    ],
    [chart],
  );
  return (
    <div
      className={view.view}
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const [file] = event.dataTransfer.files;
        if (file) void openFile(file);
      }}
    >
      <div className={view.answer}>
        <div className={own.top}>
          {tabs}
          <div className={own.tools}>
            <Button kind="quiet" aria-haspopup="dialog" onClick={() => setDialog("readings")}>
              {`Readings, ${countText(scales.length, "scale")}`}
            </Button>
            <span className={own.transpose}>
              <Button kind="quiet" aria-label="A half step lower" onClick={() => type(transposed(text, -1))}>
                −
              </Button>
              {homeMode ? (
                <Select
                  label="Home here: another one moves the whole chart"
                  size="small"
                  value={String(homeMode.home)}
                  options={homesRound(homeMode.home).map((home) => ({
                    value: String(home),
                    text: `home ${noteText(home)}`,
                  }))}
                  onChange={(home) => type(transposeChart(text, Number(home) - homeMode.home))}
                />
              ) : (
                <span>half step</span>
              )}
              <Button kind="quiet" aria-label="A half step higher" onClick={() => type(transposed(text, 1))}>
                +
              </Button>
            </span>
            <Button kind="quiet" keyName="e" aria-haspopup="dialog" onClick={() => setDialog("files")}>
              Files
            </Button>
            <Toggle isOn={follow} onChange={(isOn) => changeSettings({ follow: isOn })}>
              Follow
            </Toggle>
          </div>
        </div>
        <h1 className="visually-hidden">Match modes and chords</h1>
        <div className={own.over}>
          <span>Over</span>
          {isReady && (
            <ChartEditor
              label="Over"
              value={text}
              onChange={type}
              problems={problems}
              says={(problem) => problemText(problem, text)}
              complete={(typed) => completionsFor(typed, homeMode, scales)}
              describedBy="chord-problems"
              onCursor={(offset) => {
                const found = editing.current(offset);
                if (found !== undefined) choose(found, false);
              }}
            />
          )}
        </div>
        <Problems id="chord-problems" problems={problems} text={text} />
        {before && (
          <p className={own.before} role="status">
            <span>Another chart was put in its place.</span>
            <Button kind="quiet" onClick={bringBack}>
              Bring the one before back
            </Button>
          </p>
        )}
        {isEmpty && isReady ? (
          <Empty onTake={replace} />
        ) : (
          <>
            {reading && chart.bars.length >= LONG && (
              <ChartMap
                chart={chart}
                reading={reading}
                chosen={chosen}
                onChoose={(next) => choose(next, false)}
              />
            )}
            <div className={own.chart} role="region" aria-label="Chart" tabIndex={-1}>
              <Chart
                chart={chart}
                shown={shown}
                guides={guides ? lines : undefined}
                readings={readings}
                inHand={kind}
                stretch={stretch}
                onChoose={choose}
                onBand={chooseIn}
                onKind={setInHand}
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
          signal={signal}
          reading={reading}
          segment={segment}
          deciding={deciding}
          scales={scales}
          rival={rival}
          setting={
            place && segment ? (
              <SetByHand
                key={`${chosen} ${segment.homeMode.home} ${segment.homeMode.mode.id}`}
                place={place}
                homeMode={segment.homeMode}
                homes={homes}
                scales={scales}
                over={stretchesFor(stretch, segment, last)}
                onSet={setLock}
              />
            ) : undefined
          }
          onLoop={() => playPlaces("bar", inLoop)}
          onPractise={practise}
          onTwo={hearTwo}
          onKeep={keep}
        />
      )}
      <FilesDialog
        open={dialog === "files"}
        onClose={() => setDialog(undefined)}
        chart={chart}
        text={text}
        title={chartTitle}
        problems={fileProblems}
        onFile={(file) => void openFile(file)}
      />
      <ReadingsDialog open={dialog === "readings"} onClose={() => setDialog(undefined)} families={families} />
    </div>
  );
}

/** The homes that a chart can be moved to: those that players use, and the one that it is on. */
const homesRound = (home: Fifths): readonly Fifths[] =>
  [...new Set([...Array.from({ length: 15 }, (_, at) => at - 6), home])].toSorted(
    (a, b) => soundOf(a) - soundOf(b) || b - a,
  );

/** The chart a half step up or down, spelled with the fewest accidentals. */
const transposed = (text: string, by: 1 | -1) => transposeChart(text, plainestInterval(text, by));

/** The place whose symbol the cursor stands at or after. */
const onCursorTo = (chords: readonly { readonly offset: number }[]) => (offset: number) => {
  const found = chords.findLastIndex((each) => each.offset <= offset);
  return found < 0 ? undefined : found;
};

/** The chords of the stretch that is marked, otherwise those of the bar. */
function placesToLoop(
  count: number,
  { from, to }: Stretch,
  bar: number | undefined,
  chart: { readonly chords: readonly { readonly bar: number }[] },
): readonly number[] {
  const all = Array.from({ length: count }, (_, place) => place);
  return from < to
    ? all.filter((place) => place >= from && place <= to)
    : all.filter((place) => chart.chords[place]?.bar === bar);
}

function stretchesFor(
  stretch: Stretch,
  segment: { readonly from: number; readonly to: number },
  last: number,
): readonly Over[] {
  const isMarked = stretch.from < stretch.to;
  return [
    ...(isMarked
      ? [{ id: "stretch", text: "over the stretch", from: stretch.from, to: stretch.to } as const]
      : []),
    { id: "segment", text: "as far as it goes", from: segment.from, to: segment.to },
    { id: "chord", text: "over this chord", from: stretch.at, to: stretch.at },
    { id: "all", text: "over all", from: 0, to: last },
  ];
}

/** What the slats of the small blinds mean. */
const Key = () => (
  <p className={own.key} aria-hidden="true">
    <span data-kind="tone">chord tone</span>
    <span data-kind="colour">colour note in the chord</span>
    <span data-kind="rub">rub, a half step above a chord tone</span>
    <span data-kind="free">free note</span>
    <span data-kind="outside">outside the mode</span>
  </p>
);

/** The first line of bars of a chart. */
const beginningOf = (chords: string) => chords.split("\n").find((line) => line.startsWith("|")) ?? chords;

function Empty({ onTake }: { readonly onTake: (chords: string, title: string) => void }) {
  return (
    <div className={own.empty}>
      <p>
        Type chords as you would write them: bars between bar lines, or each chord a bar of its own; repeats,
        endings, slash beats and sections as on paper. Try one:
      </p>
      {DEMO_PROGRESSIONS.map(({ id, title, chords }) => (
        <Button key={id} onClick={() => onTake(chords, title)}>{`${title}: ${beginningOf(chords)}`}</Button>
      ))}
    </div>
  );
}

/** A link brings its own chords; otherwise those last worked on are here again. */
export function useLinkedChords(): void {
  const isReady = useStore($ready);
  useEffect(() => {
    const { chords } = $place.get();
    if (isReady && chords !== undefined && chords !== $draft.get().chords) changeDraft({ chords });
  }, [isReady]);
}
