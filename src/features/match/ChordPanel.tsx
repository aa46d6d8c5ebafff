import { useStore } from "@nanostores/react";
import type { ReactNode } from "react";
import { type Fifths, soundOf } from "@/core/pitch";
import { type Chart, type Chord, printChord } from "@/core/chord";
import {
  chordFunctions,
  type ChartAnalysis,
  type Decision,
  type Fit,
  fitOf,
  guideLines,
  modesForChord,
  type Segment,
  simpleScale,
  standIns,
} from "@/core/progression";
import { type HomeMode, holds, isNamed, type Mode, soundsOn } from "@/core/scale";
import { $mark, $playing, $settings, $tuning, changeSettings } from "@/session";
import { Button, Choice, Toggle } from "@/kit/controls";
import { HandyVoicings, OwnWordsSaid } from "@/shell/panel";
import { Facts, Panel, Saying } from "@/kit/panel";
import {
  capital,
  chartAnswerText,
  decisionText,
  guideText,
  homeModeText,
  listText,
  modeText,
  noteText,
  functionText,
  outsideText,
  openText,
  avoidNotesText,
  simpleScaleText,
  standInText,
  symbolText,
  targetSentence,
  tonesText,
  NO_CHORD_YET,
  NO_MODE_ON_ROOT,
  nowHeardText,
} from "@/words";
import styles from "./ChordPanel.module.css";

interface ChordPanelProps {
  readonly chart: Chart;
  readonly at: number;
  readonly targets: readonly Fifths[];
  readonly analysis: ChartAnalysis | undefined;
  readonly segment: Segment | undefined;
  readonly deciding: readonly Decision[];
  /** The key that the chord stands in, in words. */
  readonly keyOf: string | undefined;
  /** The same as a home and its mode. */
  readonly keyMode: HomeMode | undefined;
  /** The best two analyses, where they can't be told apart. */
  readonly open: Decision | undefined;
  /** The arpeggio that is shown in the position in view. */
  readonly arpeggio: Chord | undefined;
  readonly onArpeggio: (chord: Chord | undefined) => void;
  readonly scales: readonly Mode[];
  /** The mode to be heard alternating with the analysis's. */
  readonly rival: HomeMode | undefined;
  /** Home and mode set by hand. */
  readonly setting: ReactNode;
  readonly onLoop: () => void;
  readonly onPractise: () => void;
  readonly onTwo: () => void;
  readonly onSave: () => void;
}

/** The panel of Match: the selected chord, its target note, what decides the mode, and the ways through it. */
export function ChordPanel(props: ChordPanelProps) {
  const { chart, at, targets, analysis, segment, deciding, keyOf, open, scales, rival, setting } = props;
  const playing = useStore($playing);
  const mark = useStore($mark);
  const { targetWay } = useStore($settings);
  const isOnStrings = useStore($tuning) !== undefined;
  const place = chart.chords[at];
  const chord = place?.chord;
  const homeMode = segment?.homeMode;
  const fit = chord && homeMode ? fitOf(chord, homeMode) : undefined;
  const [target] = targets;
  // While the two alternate, the button names the one that sounds.
  const heard = playing === "two" && mark !== undefined ? (mark === 1 ? rival : homeMode) : undefined;
  const rivals = deciding.filter(
    ({ between: [, other] }) =>
      !open?.between.some(({ home, mode }) => home === other.home && mode.id === other.mode.id),
  );
  return (
    <Panel
      title={symbolText(place?.symbol ?? "")}
      aside={`in bar ${place?.bar ?? 0}${homeMode ? `, ${homeModeText(homeMode)}` : ""}`}
      corner={
        <Button kind="quiet" aria-keyshortcuts="k" onClick={props.onSave}>
          Save
        </Button>
      }
      acts={
        <>
          <Button kind="main" keyName="l" aria-pressed={playing === "bar"} onClick={props.onLoop}>
            Loop
          </Button>
          {target !== undefined && homeMode && (
            <Button keyName="r" aria-pressed={playing === "target"} onClick={props.onPractise}>
              Practise
            </Button>
          )}
          {rival && (
            <Button keyName="s" aria-pressed={playing === "two"} onClick={props.onTwo}>
              {heard ? nowHeardText(heard) : "Hear both"}
            </Button>
          )}
        </>
      }
    >
      {analysis && (
        <p className={styles.answer}>
          <strong>{chartAnswerText(analysis, chart, open)}</strong>
        </p>
      )}
      {homeMode ? (
        <Saying>{targetSentence(chart, at, targets, homeMode)}</Saying>
      ) : (
        <Saying>{NO_CHORD_YET}</Saying>
      )}
      {target !== undefined && homeMode && holds(soundsOn(homeMode), soundOf(target)) && (
        <Choice
          label="How the target note is practised"
          size="small"
          value={targetWay}
          onChange={(way) => changeSettings({ targetWay: way })}
          options={[
            { value: "save", text: `Save ${noteText(target)} for it` },
            { value: "throughout", text: "Use it throughout" },
          ]}
        />
      )}
      {homeMode && <OwnWordsSaid mode={homeMode.mode} />}
      <Facts
        rows={[
          ...(open ? [["Open", openText(open, chart.chords)] as const] : []),
          ...(keyOf === undefined ? [] : [["Key", keyOf] as const]),
          ...functionRow(props),
          ...(homeMode && rivals.length > 0
            ? [["What decides", <Decisions key="decides" deciding={rivals} chart={chart} />] as const]
            : []),
          ...(chord ? [["Chord tones", tonesText(chord)] as const] : []),
          ...(chord && fit ? [["Avoid notes", avoidNotesText(fit, chord)] as const] : []),
          ...(fit && fit.outside.length > 0 ? [["Outside", outsideText(fit)] as const] : []),
          ...(fit && fit.otherNotes.length > 0
            ? [["Other notes", fit.otherNotes.map(noteText).join(" ")] as const]
            : []),
          ...(chord && isOnStrings ? [["Voicings", <HandyVoicings key="voicings" />] as const] : []),
          ...(chord ? [["Guide tones", <Guides key="guides" chart={chart} at={at} />] as const] : []),
          ...(analysis ? simpleRow(analysis, chart, at) : []),
          ...(chord && homeMode ? standInRow(chord, homeMode, props) : []),
          ...(chord ? [["Fits", <Fits key="fits" {...{ chord, homeMode, scales }} />] as const] : []),
          ...(setting === undefined ? [] : [["Set by hand", setting] as const]),
        ]}
      />
    </Panel>
  );
}

function simpleRow(analysis: ChartAnalysis, chart: Chart, at: number) {
  const simple = simpleScale(analysis, chart, at);
  return simple ? [["Simple scale", simpleScaleText(simple, chart.chords)] as const] : [];
}

/** What the chord does in its key, where it isn’t plain; what is borrowed may come from more than one mode. */
function functionRow({ chart, at, keyMode, scales }: ChordPanelProps) {
  const all = keyMode ? chordFunctions(chart, at, keyMode, scales) : [];
  const said = keyMode
    ? listText(
        all.map((each) => functionText(each, keyMode)),
        "or",
      )
    : "";
  return said === "" ? [] : [["Function", capital(said)] as const];
}

/** The seventh arpeggios that stand in for a chord: pressed, one is shown in the position in view. */
function standInRow(
  chord: Chord,
  homeMode: HomeMode,
  { arpeggio, onArpeggio }: Pick<ChordPanelProps, "arpeggio" | "onArpeggio">,
) {
  const all = standIns(chord, homeMode).slice(0, STAND_INS);
  if (all.length === 0) return [];
  const isShown = (each: Chord) => arpeggio !== undefined && printChord(arpeggio) === printChord(each);
  const buttons = all.map((each) => (
    <Toggle
      key={printChord(each.chord)}
      isOn={isShown(each.chord)}
      onChange={(isOn) => onArpeggio(isOn ? each.chord : undefined)}
    >
      {standInText(each)}
    </Toggle>
  ));
  return [["Arpeggios", <span key="arpeggios">{buttons}</span>] as const];
}

/** How many arpeggios are offered. */
const STAND_INS = 3;

function Decisions({ deciding, chart }: { readonly deciding: readonly Decision[]; readonly chart: Chart }) {
  return (
    <ul className={styles.list}>
      {deciding.map((decision) => (
        <li key={`${decision.between[1].home} ${decision.between[1].mode.id}`}>
          {decisionText(decision, chart.chords)}
        </li>
      ))}
    </ul>
  );
}

/** The two guide tones, each with its way from the chord before. */
function Guides({ chart, at }: { readonly chart: Chart; readonly at: number }) {
  const lines = guideLines(chart.chords.slice(0, at + 1).map(({ chord }) => chord));
  const lastLine = lines.at(-1);
  const before = lines.slice(0, -1).findLast((pair) => pair !== undefined);
  return (
    <ul className={styles.list}>
      {lastLine?.map((tone, line) => (
        <li key={line}>{guideText(tone, before?.[line])}</li>
      ))}
    </ul>
  );
}

/** How many fitting modes are named before the rest wait to be opened. */
const FITS = 4;

interface FitsProps {
  readonly chord: Chord;
  readonly homeMode: HomeMode | undefined;
  readonly scales: readonly Mode[];
}

/** Every named mode on the chord's own root that holds all of it, those of the chosen families first. */
function Fits({ chord, homeMode, scales }: FitsProps) {
  const all = modesForChord(chord).filter(({ homeMode: { mode } }) => isNamed(mode));
  const chosen = new Set(scales);
  const sorted = [
    ...all.filter(({ homeMode: { mode } }) => chosen.has(mode)),
    ...all.filter(({ homeMode: { mode } }) => !chosen.has(mode)),
  ];
  if (sorted.length === 0) return <>{NO_MODE_ON_ROOT}</>;
  const text = ({ homeMode: here }: Fit) => {
    const { avoidNotes } = fitOf(chord, here);
    const isHere = here.mode === homeMode?.mode && here.home === homeMode.home;
    return `${homeModeText(here)}${avoidNotes.length === 0 ? "" : ` (avoid ${avoidNotes.map(noteText).join(" ")})`}${isHere ? ", here" : ""}`;
  };
  const rest = sorted.slice(FITS);
  return (
    <>
      {sorted.slice(0, FITS).map(text).join(" · ")}
      {rest.length > 0 && (
        <details className={styles.more}>
          <summary>{`${rest.length} more`}</summary>
          {rest.map(({ homeMode: here }) => modeText(here.mode)).join(" · ")}
        </details>
      )}
    </>
  );
}
