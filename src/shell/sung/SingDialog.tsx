import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { followed, type Followed } from "@/core/training";
import type { Timed } from "@/core/tune";
import type { Microphone } from "@/devices";
import type { Score } from "@/audio";
import { $selection, $settings, arranged, begin, changeSettings, mainScore, stop } from "@/session";
import { type HeardLine, useListening } from "@/session/playing/useListening";
import { SourceSelect } from "@/shell/played";
import { Button, Toggle } from "@/kit/controls";
import { Dialog } from "@/kit/dialog";
import {
  followedText,
  NOTHING_TO_SING,
  offText,
  recordText,
  SING_ALONG_SAYS,
  SING_TITLE,
  soundingDegreeText,
} from "@/words";
import { SungLine, type SungBox } from "./SungLine";
import styles from "./SungLine.module.css";

/** What is sung along with: what Play plays, or a score that was handed over, with what it is called. */
interface ToSing {
  readonly title: string;
  readonly score: Score;
}

interface SingDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  /** Left out for what Play plays. */
  readonly toSing?: ToSing | undefined;
}

/** The name under which it is played. */
const SING = "sing";

/** Seconds that are listened on after the last note. */
const AFTER = 0.8;

const withoutLine = (score: Score): Score => ({
  ...score,
  loops: false,
  notes: score.notes.filter(({ part }) => part !== "line"),
});

/** A line by the clock. */
const timed = ({ notes }: Score, tempo: number): readonly Timed[] =>
  notes
    .filter(({ part }) => part === "line")
    .toSorted((a, b) => a.at - b.at)
    .map(({ midi, at, length }) => ({ midi, onset: (at * 60) / tempo, duration: (length * 60) / tempo }));

/** A line to sing or play along with: it is listened to while the rest plays, and followed note by note. */
export function SingDialog({ open, onClose, toSing }: SingDialogProps) {
  return (
    <Dialog
      title={toSing ? `${SING_TITLE}: ${toSing.title}` : SING_TITLE}
      says={SING_ALONG_SAYS}
      open={open}
      onClose={onClose}
      place="side"
    >
      <Singing toSing={toSing} />
    </Dialog>
  );
}

function Singing({ toSing }: Pick<SingDialogProps, "toSing">) {
  const { tempo, countIn } = useStore($settings);
  const [{ score, line }] = useState(() => {
    const made = arranged(toSing?.score ?? mainScore());
    return { score: made, line: timed(made, tempo) };
  });
  const [from, setFrom] = useState<Microphone>("microphone");
  const [isHeard, setHeard] = useState(false);
  const [sung, setSung] = useState<{ readonly line: HeardLine; readonly found: Followed }>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const midis = line.map(({ midi }) => midi);
  const { state, ...listening } = useListening({
    phrase: line,
    onLine: (heard) => {
      const heights = heard.notes.map(({ height }) => height);
      setSung({ line: heard, found: followed(midis, heights) });
    },
  });
  const end = () => {
    clearTimeout(timer.current);
    stop();
    void listening.stop();
  };
  useEffect(
    () => () => {
      clearTimeout(timer.current);
      stop();
    },
    [],
  );
  const start = async () => {
    setSung(undefined);
    await listening.start(from);
    const played = isHeard ? { ...score, loops: false } : withoutLine(score);
    // Whoever stands in plays by its own clock, at once.
    if (from === "microphone") {
      begin(SING, () => ({ score: played.notes.length > 0 ? played : { ...score, loops: false } }));
      timer.current = setTimeout(end, (((score.beats + countIn) * 60) / tempo + AFTER) * 1000);
    }
  };
  if (line.length === 0) return <p role="status">{NOTHING_TO_SING}</p>;
  return (
    <div className={styles.singing}>
      <div className={styles.acts}>
        <SourceSelect from={from} onChoose={setFrom} />
        {state.at === "recording" ? (
          <Button kind="main" onClick={end}>
            That was it
          </Button>
        ) : (
          <Button kind="main" disabled={state.at === "listening"} onClick={() => void start()}>
            {sung ? "Once more" : "Start"}
          </Button>
        )}
        <Toggle isOn={isHeard} onChange={setHeard}>
          Play the line too
        </Toggle>
        <Toggle isOn={countIn > 0} onChange={(isOn) => changeSettings({ countIn: isOn ? 4 : 0 })}>
          Count-in
        </Toggle>
      </div>
      <p role="status">
        {sung
          ? `${followedText(sung.found.right, line.length)} ${offText(sung.found.cents)}`.trim()
          : state.at === "idle"
            ? ""
            : recordText(state)}
      </p>
      {sung && <SungLine frames={sung.line.frames} cents={sung.found.cents} boxes={boxesOf(line, sung)} />}
    </div>
  );
}

/** The notes that were asked for, where and in which octave they were sung. */
function boxesOf(
  line: readonly Timed[],
  { line: { notes }, found }: { readonly line: HeardLine; readonly found: Followed },
): readonly SungBox[] {
  const { homeMode } = $selection.get();
  const matched = found.notes.flatMap((each, nth) => {
    const [asked, heard] = [line[nth], each && notes[each.at]];
    return asked && heard ? [{ late: heard.onset - asked.onset, up: heard.midi - asked.midi }] : [];
  });
  const middle = (values: readonly number[]) =>
    values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;
  const late = middle(matched.map(({ late: each }) => each));
  const octaves = 12 * Math.round(middle(matched.map(({ up }) => up)) / 12);
  return line.map(({ midi, onset, duration }, nth) => {
    const each = found.notes[nth];
    const heard = each && notes[each.at];
    const near = heard ? midi + 12 * Math.round((heard.midi - midi) / 12) : midi + octaves;
    return {
      onset: heard?.onset ?? onset + late,
      duration: heard?.duration ?? duration,
      midi: near,
      label: soundingDegreeText(midi, homeMode),
      beside: each?.cents ?? 0,
      isMissed: each?.isRight !== true,
    };
  });
}
