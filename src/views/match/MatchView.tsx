import { useStore } from "@nanostores/react";
import { useEffect, useMemo, useState } from "react";
import { chordNotes, readChart } from "@/core/chord";
import { decisions, oneModeReadings, signalNotes } from "@/core/progression";
import { colourOn, colourSwap, type HomeMode } from "@/core/scale";
import { DEMO_PROGRESSIONS } from "@/demo";
import { byTurns, chartScore, modeScore } from "@/sound";
import {
  $draft,
  $keeping,
  $place,
  $ready,
  $selection,
  changeDraft,
  setPlace,
  swapLive,
  toggle,
} from "@/state";
import { useSchools } from "@/ui/useSchools";
import { Button } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { Problems } from "@/ui/problems";
import { homeModeText } from "@/ui/words";
import styles from "@/ui/frame/View.module.css";
import { Chart } from "./Chart";
import { ChordPanel } from "./ChordPanel";
import own from "./MatchView.module.css";
import { Readings } from "./Readings";

/** How many single modes are offered. */
const READINGS = 5;

const isSame = (one: HomeMode, other: HomeMode) => one.home === other.home && one.mode === other.mode;

/** Match: a line of chords and the one mode that serves all of it, with what decides. */
export function MatchView() {
  const { chords: text } = useStore($draft);
  const place = useStore($place);
  const isReady = useStore($ready);
  const [at, setAt] = useState(0);
  const [picked, setPicked] = useState<HomeMode | undefined>(
    place.chords === undefined ? undefined : { home: place.home, mode: place.mode },
  );

  // A link brings its own chords; otherwise those last worked on are here again.
  useEffect(() => {
    const { chords } = $place.get();
    if (isReady && chords !== undefined && chords !== $draft.get().chords) changeDraft({ chords });
  }, [isReady]);

  const { value: chart, problems } = useMemo(() => readChart(text), [text]);
  const readings = useMemo(() => oneModeReadings(chart, { most: READINGS }), [chart]);
  const reading = readings.find(({ homeMode }) => picked && isSame(homeMode, picked)) ?? readings[0];
  const deciding = useMemo(() => (reading ? decisions(reading.homeMode, chart) : []), [reading, chart]);
  const chosen = Math.min(at, Math.max(0, chart.length - 1));
  const symbols = useMemo(() => chart.map(({ chord }) => chord), [chart]);
  const schools = useSchools();
  const signal = useMemo(() => signalNotes(symbols, chosen), [symbols, chosen]);

  useEffect(() => {
    if (!isReady || !reading) return undefined;
    const { home, mode } = reading.homeMode;
    const chord = chart[chosen]?.chord;
    $selection.set({
      homeMode: reading.homeMode,
      lit: signal.length > 0 ? signal.slice(0, 1) : colourOn(reading.homeMode, schools),
      unknown: [],
      targets: chord ? chordNotes(chord) : [],
      chord,
      swap: colourSwap(reading.homeMode.mode, schools),
      play: { code: "chords", score: chartScore(chart) },
    });
    const timer = setTimeout(() => setPlace({ home, mode, chords: text }), 250);
    return () => clearTimeout(timer);
  }, [isReady, reading, chart, chosen, signal, text, schools]);

  const bar = chart[chosen]?.bar;
  const loopBar = () => toggle("bar", chartScore(chart.filter((each) => each.bar === bar)));
  const rival = deciding.find(({ by }) => by === "notes")?.between[1] ?? deciding[0]?.between[1];
  const hearTwo = () => {
    if (!swapLive() && reading && rival)
      toggle("two", byTurns(modeScore(reading.homeMode, true), modeScore(rival, true)));
  };
  const keep = () => {
    const title = reading ? `Chords in ${homeModeText(reading.homeMode)}` : "Chords";
    if (text.trim() !== "") $keeping.set({ kind: "progression", title, words: "", chords: text.trim() });
  };
  const type = (next: string) => {
    setPicked(undefined);
    changeDraft({ chords: next });
  };
  const step = (by: 1 | -1) => setAt(Math.max(0, Math.min(chart.length - 1, chosen + by)));

  useKeys("match", [
    { key: "ArrowLeft", says: "The chord before", act: () => step(-1) },
    { key: "ArrowRight", says: "The next chord", act: () => step(1) },
    { key: "l", says: "Loop the bar of this chord", act: loopBar },
    { key: "s", says: "Hear the two choices by turns", act: hearTwo },
    { key: "k", says: "Keep this progression", act: keep },
  ]);

  return (
    <div className={styles.view}>
      <div className={styles.answer}>
        <h1 className="visually-hidden">One mode for a row of chords</h1>
        <label className={own.over}>
          <span>Over</span>
          <textarea
            className={own.chords}
            value={text}
            rows={Math.min(6, Math.max(1, text.split("\n").length))}
            spellCheck={false}
            maxLength={50_000}
            aria-describedby="chord-problems"
            placeholder="| Em9 | A13 |"
            onChange={(event) => type(event.target.value)}
          />
        </label>
        <Problems id="chord-problems" problems={problems} text={text} />
        {chart.length === 0 && isReady ? (
          <Empty onTake={type} />
        ) : (
          <>
            <Chart chart={chart} reading={reading} chosen={chosen} onChoose={setAt} />
            {reading && <Readings readings={readings} chosen={reading} onChoose={setPicked} />}
          </>
        )}
      </div>
      {chart.length > 0 && (
        <ChordPanel
          chart={chart}
          at={chosen}
          signal={signal}
          reading={reading}
          deciding={deciding}
          rival={rival}
          onLoop={loopBar}
          onTwo={hearTwo}
          onKeep={keep}
        />
      )}
    </div>
  );
}

function Empty({ onTake }: { readonly onTake: (chords: string) => void }) {
  return (
    <div className={own.empty}>
      <p>
        Type chords as you would write them: bars between bar lines, or each chord a bar of its own. Try one:
      </p>
      {DEMO_PROGRESSIONS.map(({ id, title, chords }) => (
        <Button key={id} onClick={() => onTake(chords)}>{`${title}: ${chords}`}</Button>
      ))}
    </div>
  );
}
