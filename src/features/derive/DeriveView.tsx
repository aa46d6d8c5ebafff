import { useStore } from "@nanostores/react";
import { useMemo, useState } from "react";
import { accidentalsOf, type Fifths, fifthsFrom, letterOf, printName } from "@/core/pitch";
import { brightestFirst, colourSwap, type HomeMode, parallels, parentOf, relatives } from "@/core/scale";
import { pathScore, swapScore } from "@/audio";
import { $toSave, $placeMode, moveBy, setHomeMode, setPlace, swapLive, toggle } from "@/session";
import { PartTabs } from "@/shell/frame/PartTabs";
import { HeldPanel, playVamp } from "@/shell/held";
import { useKeys } from "@/session/useKeys";
import { useAfterPaint } from "@/kit/useAfterPaint";
import { useSchools } from "@/session/useSchools";
import { homeModeText } from "@/words";
import { AskShow } from "./AskShow";
import { ChordsShow } from "./ChordsShow";
import { CompareShow, compareRows } from "./CompareShow";
import { MakeShow } from "./MakeShow";
import { ModePanel, type Page, PAGES } from "./ModePanel";
import { ModesShow } from "./ModesShow";
import { $derive, DERIVE, lineUpBy, showPart, swapBeside } from "./route";
import { $held, hold, letGo } from "./selection";
import styles from "@/shell/frame/View.module.css";

const PARTS = [
  { value: "modes", text: "Modes", keyName: "m", says: "The modes of a parent scale" },
  { value: "make", text: "Make a scale", keyName: "o", says: "Open and shut slats" },
  { value: "compare", text: "Compare", keyName: "x", says: "Compare modes" },
  { value: "chords", text: "Chords", keyName: "r", says: "The chords of the mode" },
  { value: "ask", text: "Ask all modes", keyName: "q", says: "Ask all modes" },
] as const;

/** Derive: the modes of a parent scale on one home or from every home of one set of notes, and what makes each. */
export function DeriveView() {
  const schools = useSchools();
  const [page, setPage] = useState<Page>("says");
  const { show, lineUp, beside } = useStore($derive);
  const homeMode = useStore($placeMode);
  const held = useStore($held);
  const { home, mode } = homeMode;
  // The row in hand and its name are on the screen first; the other rows, the working and the stage follow.
  const settled = useAfterPaint(homeMode);
  const rows = useMemo(() => ladderRows(homeMode, lineUp), [homeMode, lineUp]);
  const shownRows = useMemo(
    () => firstOnScreen(homeMode, settled, lineUp, rows),
    [homeMode, settled, lineUp, rows],
  );
  const swap = colourSwap(mode, schools);
  const walk = (by: 1 | -1) => {
    const listed = show === "compare" ? compareRows(homeMode, beside) : rows;
    const at = listed.findIndex((row) => row.mode === mode);
    const next = listed[at + by];
    if (!next) return;
    if (show === "compare")
      swapBeside(
        next,
        listed.filter((row) => row !== next).map((row) => row.mode),
      );
    else setHomeMode(next);
  };
  const playSwap = () => {
    if (!swapLive() && swap) toggle("swap", swapScore(homeMode, swap.from, swap.to));
  };
  const playPath = () => toggle("path", pathScore(show === "compare" ? compareRows(homeMode, beside) : rows));
  const keep = () =>
    $toSave.set({
      kind: "mode",
      title: homeModeText(homeMode),
      words: "",
      home: printName(home),
      mode: mode.id,
    });

  useKeys("Derive", [
    ...[..."abcdefg"].map((letter) => ({
      key: letter,
      says: `Home ${letter.toUpperCase()}`,
      act: () => setPlace({ home: fifthsFrom(letter, 0) }),
    })),
    { key: "#", says: "Home a half step sharper", act: () => setPlace({ home: altered(home, 1) }) },
    { key: "-", says: "Home a half step flatter", act: () => setPlace({ home: altered(home, -1) }) },
    { key: "]", says: "One note brighter", act: () => moveBy("brighter") },
    { key: "[", says: "One note darker", act: () => moveBy("darker") },
    { key: "ArrowUp", says: "Up the ladder", act: () => walk(-1) },
    { key: "ArrowDown", says: "Down the ladder", act: () => walk(1) },
    {
      key: "l",
      says: "Line up homes or notes",
      act: () => {
        if (show !== "modes") showPart("modes");
        lineUpBy(lineUp === "homes" ? "notes" : "homes");
      },
    },
    {
      key: "w",
      says: "Turn the panel's page",
      act: () => setPage(PAGES[(PAGES.indexOf(page) + 1) % PAGES.length] ?? "says"),
    },
    { key: "u", says: "Play the path from bright to dark", act: playPath },
    { key: "s", says: "Swap the colour note, back and forth", act: playSwap },
    { key: "v", says: "Play the vamp", act: () => playVamp(homeMode) },
    { key: "k", says: "Keep this mode", act: keep },
  ]);

  return (
    <div className={styles.view}>
      <div className={styles.answer}>
        <PartTabs view={DERIVE} name="Derive" parts={PARTS} />
        {show === "modes" && <ModesShow homeMode={homeMode} rows={shownRows} onPath={playPath} />}
        {show === "make" && <MakeShow homeMode={homeMode} />}
        {show === "compare" && <CompareShow homeMode={homeMode} onPath={playPath} />}
        {show === "chords" && <ChordsShow homeMode={homeMode} settled={settled} held={held} onHold={hold} />}
        {show === "ask" && <AskShow homeMode={homeMode} />}
      </div>
      {held ? (
        <HeldPanel homeMode={homeMode} held={held} onLetGo={letGo} />
      ) : (
        <ModePanel
          homeMode={homeMode}
          settled={settled}
          page={page}
          onPage={setPage}
          swap={swap}
          onSwap={playSwap}
          onKeep={keep}
        />
      )}
    </div>
  );
}

/** The rows of the ladder, brightest first: parallel on one home, or relative from every home. */
function ladderRows(homeMode: HomeMode, lineUp: "homes" | "notes"): readonly HomeMode[] {
  const { family, tonic } = parentOf(homeMode);
  if (lineUp === "homes") return parallels(family, homeMode.home);
  const all = relatives(family, tonic);
  return brightestFirst(family.modes).flatMap((mode) => all.filter((each) => each.mode === mode));
}

/**
 * The rows as they are drawn: on another home the row in hand is there at once, the others of its family a frame later.
 */
function firstOnScreen(
  homeMode: HomeMode,
  settled: HomeMode,
  lineUp: "homes" | "notes",
  rows: readonly HomeMode[],
): readonly HomeMode[] {
  const waits =
    lineUp === "homes" && settled.home !== homeMode.home && settled.mode.family === homeMode.mode.family;
  if (!waits) return rows;
  return rows.map((row) => (row.mode === homeMode.mode ? row : { ...row, home: settled.home }));
}

/** The same letter, a half step sharper or flatter, not past double accidentals. */
function altered(home: Fifths, by: 1 | -1): Fifths {
  const accidentals = accidentalsOf(home) + by;
  return Math.abs(accidentals) > 2 ? home : fifthsFrom(letterOf(home), accidentals);
}
