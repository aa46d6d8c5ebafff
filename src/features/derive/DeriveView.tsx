import { useStore } from "@nanostores/react";
import { useMemo, useState } from "react";
import { accidentalsOf, type Fifths, fifthsFrom, letterOf, printName } from "@/core/pitch";
import {
  brightestFirst,
  characteristicSwap,
  type HomeMode,
  parallels,
  parentOf,
  relatives,
} from "@/core/scale";
import { swapScore } from "@/audio";
import {
  $toSave,
  $placeMode,
  moveBy,
  setHomeMode,
  setPlace,
  sheetAddress,
  SWAP,
  swapLive,
  toggle,
} from "@/session";
import { PartTabs } from "@/shell/frame/PartTabs";
import { SelectedPanel, playVamp } from "@/shell/selected";
import { Button } from "@/kit/controls";
import { Boundary, later, Waiting } from "@/kit/later";
import { useKeys } from "@/session/place/useKeys";
import { useAfterPaint } from "@/kit/useAfterPaint";
import { useConventions } from "@/session/settings/useConventions";
import { homeModeText } from "@/words";
import { compareRows } from "./compare-rows";
import { ModePanel, type Page, PAGES } from "./ModePanel";
import { playLadder } from "./ladder-playing";
import { ModesShow } from "./ModesShow";
import { $derive, DERIVE, alignBy, showPart, swapBeside } from "./route";
import { $selectedChords, $shownMode, select, deselect } from "./selection";
import styles from "@/shell/frame/View.module.css";

const AskShow = later(() => import("./AskShow").then(({ AskShow }) => AskShow));
const ChordsShow = later(() => import("./ChordsShow").then(({ ChordsShow }) => ChordsShow));
const CompareShow = later(() => import("./CompareShow").then(({ CompareShow }) => CompareShow));
const MakeShow = later(() => import("./MakeShow").then(({ MakeShow }) => MakeShow));

const PARTS = [
  { value: "modes", text: "Modes", keyName: "m", says: "The modes of a parent scale" },
  { value: "make", text: "Make a scale", keyName: "o", says: "Make a scale" },
  { value: "compare", text: "Compare", keyName: "x", says: "Compare modes" },
  { value: "chords", text: "Chords", keyName: "r", says: "The chords of the mode" },
  { value: "ask", text: "Search modes", keyName: "q", says: "Search modes" },
] as const;

/** Derive: the modes of a parent scale on one home or from every home of one set of notes, and what makes each. */
export function DeriveView() {
  const conventions = useConventions();
  const [page, setPage] = useState<Page>("says");
  const { show, alignment, beside } = useStore($derive);
  const placeMode = useStore($placeMode);
  const shownMode = useStore($shownMode);
  // What is compared stands as it is while its rows are played through; the panel and the stage follow what is heard.
  const homeMode = show === "compare" ? placeMode : shownMode;
  const selected = useStore($selectedChords);
  const { home, mode } = homeMode;
  // The selected row and its name are on the screen first; the other rows, the working and the stage follow.
  const settled = useAfterPaint(shownMode);
  const rows = useMemo(() => ladderRows(homeMode, alignment), [homeMode, alignment]);
  const shownRows = useMemo(
    () => firstOnScreen(shownMode, settled, alignment, rows),
    [shownMode, settled, alignment, rows],
  );
  const swap = characteristicSwap(shownMode.mode, conventions);
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
    if (!swapLive() && swap) toggle(SWAP, swapScore(shownMode, swap.from, swap.to));
  };
  const playAll = () =>
    playLadder(show === "compare" ? compareRows(homeMode, beside) : inPlayingOrder(rows, alignment));
  const save = () =>
    $toSave.set({
      kind: "mode",
      title: homeModeText(homeMode),
      words: "",
      home: printName(home),
      mode: mode.id,
    });

  const print = () => window.location.assign(sheetAddress("sheet", shownMode));

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
      says: "Parallel or relative",
      act: () => {
        if (show !== "modes") showPart("modes");
        alignBy(alignment === "parallel" ? "relative" : "parallel");
      },
    },
    {
      key: "w",
      says: "Next page of the panel",
      act: () => setPage(PAGES[(PAGES.indexOf(page) + 1) % PAGES.length] ?? "says"),
    },
    { key: "u", says: "Play all modes that are listed", act: playAll },
    { key: "s", says: "Swap the characteristic note", act: playSwap },
    { key: "v", says: "Play the vamp", act: () => playVamp(homeMode) },
    { key: "k", says: "Save this mode", act: save },
    { key: "P", says: "Print: mode sheet, practice sheet", act: print },
  ]);

  return (
    <div className={styles.view}>
      <div className={styles.answer}>
        <div className={styles.parts}>
          <PartTabs view={DERIVE} name="Derive" parts={PARTS} />
          <Button kind="quiet" keyName="P" onClick={print}>
            Print
          </Button>
        </div>
        <Boundary key={show} what={PARTS.find(({ value }) => value === show)?.text ?? "Derive"}>
          <Waiting fallback={null}>
            {show === "modes" && <ModesShow homeMode={homeMode} rows={shownRows} onPlayAll={playAll} />}
            {show === "make" && <MakeShow homeMode={homeMode} />}
            {show === "compare" && <CompareShow homeMode={homeMode} onPlayAll={playAll} />}
            {show === "chords" && (
              <ChordsShow homeMode={homeMode} settled={settled} selected={selected} onSelect={select} />
            )}
            {show === "ask" && <AskShow homeMode={homeMode} />}
          </Waiting>
        </Boundary>
      </div>
      {selected ? (
        <SelectedPanel homeMode={homeMode} selected={selected} onDeselect={deselect} />
      ) : (
        <ModePanel
          homeMode={shownMode}
          settled={settled}
          page={page}
          onPage={setPage}
          swap={swap}
          onSwap={playSwap}
          onSave={save}
        />
      )}
    </div>
  );
}

/** The rows in the order in which they are played: on one home from bright to dark, from every home from first to seventh. */
const inPlayingOrder = (rows: readonly HomeMode[], alignment: "parallel" | "relative") =>
  alignment === "parallel" ? rows : rows.toSorted((a, b) => a.mode.degree - b.mode.degree);

/** The rows of the ladder, brightest first: parallel on one home, or relative from every home. */
function ladderRows(homeMode: HomeMode, alignment: "parallel" | "relative"): readonly HomeMode[] {
  const { family, tonic } = parentOf(homeMode);
  if (alignment === "parallel") return parallels(family, homeMode.home);
  const all = relatives(family, tonic);
  return brightestFirst(family.modes).flatMap((mode) => all.filter((each) => each.mode === mode));
}

/**
 * The rows as they are drawn: on another home the selected row is there at once, the others of its family a frame later.
 */
function firstOnScreen(
  homeMode: HomeMode,
  settled: HomeMode,
  alignment: "parallel" | "relative",
  rows: readonly HomeMode[],
): readonly HomeMode[] {
  const waits =
    alignment === "parallel" &&
    settled.home !== homeMode.home &&
    settled.mode.family === homeMode.mode.family;
  if (!waits) return rows;
  return rows.map((row) => (row.mode === homeMode.mode ? row : { ...row, home: settled.home }));
}

/** The same letter, a half step sharper or flatter, not past double accidentals. */
function altered(home: Fifths, by: 1 | -1): Fifths {
  const accidentals = accidentalsOf(home) + by;
  return Math.abs(accidentals) > 2 ? home : fifthsFrom(letterOf(home), accidentals);
}
