import { useStore } from "@nanostores/react";
import { useEffect, useMemo } from "react";
import {
  accidentalsOf,
  type Fifths,
  fifthsFrom,
  letterOf,
  maybeFifths,
  printName,
  soundOf,
} from "@/core/pitch";
import {
  brightestFirst,
  colourNotes,
  colourSwap,
  FAMILIES,
  type HomeMode,
  maybeFamily,
  type Mode,
  parallels,
  parentOf,
  relatives,
} from "@/core/scale";
import { modeScore, swapScore, vampScore } from "@/sound";
import { vamps } from "@/core/chord";
import { $keeping, $place, $selection, $settings, moveBy, setHomeMode, setPlace, toggle } from "@/state";
import { Choice, Select, TextField } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { familyText, homeModeText, ladderText, noteText } from "@/ui/words";
import { Ladder } from "./Ladder";
import { ModePanel } from "./ModePanel";
import styles from "@/ui/frame/View.module.css";

/** Names offered for a home: the twelve sounds under the names that players use. */
const HOMES = [
  "C",
  "C♯",
  "D♭",
  "D",
  "D♯",
  "E♭",
  "E",
  "F",
  "F♯",
  "G♭",
  "G",
  "G♯",
  "A♭",
  "A",
  "A♯",
  "B♭",
  "B",
  "C♭",
];

/** As far out as homes go: double sharps and flats. */
const FARTHEST = 19;

/** Derive: the modes of a parent scale on one home or from every home of one set of notes, and what makes each. */
export function DeriveView() {
  const place = useStore($place);
  const { drone } = useStore($settings);
  const { home, mode, lineUp } = place;
  const homeMode = useMemo<HomeMode>(() => ({ home, mode }), [home, mode]);
  const { family, tonic } = parentOf(homeMode);
  const rows = useMemo(() => ladderRows(homeMode, lineUp), [homeMode, lineUp]);
  const swap = colourSwap(mode);
  const vamp = vamps(homeMode)[0];

  useEffect(() => {
    $selection.set({
      homeMode,
      lit: (colourNotes(mode)[0] ?? []).map((interval) => home + interval),
      unknown: [],
      targets: [],
      play: { code: "mode", score: modeScore(homeMode, drone) },
    });
  }, [homeMode, home, mode, drone]);

  const walk = (by: 1 | -1) => {
    const at = rows.findIndex((row) => row.mode === mode);
    const next = rows[at + by];
    if (next) setHomeMode(next);
  };
  const playSwap = () => {
    if (swap) toggle("swap", swapScore(homeMode, swap.from, swap.to));
  };
  const playVamp = () => {
    if (vamp) toggle("vamp", vampScore(vamp));
  };
  const keep = () =>
    $keeping.set({
      kind: "mode",
      title: homeModeText(homeMode),
      words: "",
      home: printName(home),
      mode: mode.id,
    });

  useKeys("derive", [
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
      act: () => setPlace({ lineUp: lineUp === "homes" ? "notes" : "homes" }),
    },
    { key: "s", says: "Swap the colour note, back and forth", act: playSwap },
    { key: "v", says: "Play the vamp", act: playVamp },
    { key: "k", says: "Keep this mode", act: keep },
  ]);

  return (
    <div className={styles.view}>
      <div className={styles.answer}>
        <div className={styles.sentence}>
          <h1 className="visually-hidden">{ladderText(homeMode, lineUp)}</h1>
          <span>{lineUp === "homes" ? "Home" : "The notes of"}</span>
          <TextField
            label={lineUp === "homes" ? "Home" : "Tonic of the parent scale"}
            value={noteText(lineUp === "homes" ? home : tonic)}
            suggestions={HOMES}
            width={2}
            onCommit={(text) => {
              const named = maybeFifths(text);
              if (named === undefined || Math.abs(named) > FARTHEST) return refusal(text);
              setPlace({ home: lineUp === "homes" ? named : named + home - tonic });
              return undefined;
            }}
          />
          <span>{lineUp === "homes" ? "through the modes of" : "in"}</span>
          <Select
            label="Parent scale"
            value={family.id}
            options={FAMILIES.map((each) => ({ value: each.id, text: familyText(each) }))}
            onChange={(id) => setPlace({ mode: sameDegree(id, mode) })}
          />
          {lineUp === "notes" && <span>from every home</span>}
          <div className={styles.right}>
            <Choice
              label="How the ladder is lined up"
              value={lineUp}
              onChange={(next) => setPlace({ lineUp: next })}
              options={[
                { value: "homes", text: "Line up homes" },
                { value: "notes", text: "Line up notes" },
              ]}
            />
          </div>
        </div>
        <Ladder
          rows={rows}
          selected={homeMode}
          leftSound={soundOf(lineUp === "homes" ? home : tonic)}
          lineUp={lineUp}
          label={ladderText(homeMode, lineUp)}
          onSelect={setHomeMode}
        />
      </div>
      <ModePanel homeMode={homeMode} swap={swap} onSwap={playSwap} onVamp={playVamp} onKeep={keep} />
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

/** A change of parent scale keeps the degree: from the second mode of one to the second of the other. */
const sameDegree = (familyId: string, mode: Mode): Mode =>
  maybeFamily(familyId)?.modes[mode.degree - 1] ?? mode;

/** The same letter, a half step sharper or flatter, not past double accidentals. */
function altered(home: Fifths, by: 1 | -1): Fifths {
  const accidentals = accidentalsOf(home) + by;
  return Math.abs(accidentals) > 2 ? home : fifthsFrom(letterOf(home), accidentals);
}

const refusal = (text: string) =>
  text.trim() === ""
    ? "Type a note: a letter A to G, with ♯ or ♭ if it has one."
    : `“${text.slice(0, 20)}” is no note; a letter A to G with # or b would do, as in Eb.`;
