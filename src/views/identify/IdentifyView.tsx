import { useStore } from "@nanostores/react";
import { type DragEvent, type ReactNode, useEffect, useMemo, useState } from "react";
import { soundOf } from "@/core/pitch";
import { identify } from "@/core/identify";
import { colourNotes, colourSwap, type HomeMode } from "@/core/scale";
import { phraseEnds } from "@/core/tune";
import { DEMO_TUNES } from "@/demo";
import { byTurns, tuneScore } from "@/sound";
import { $draft, $keeping, $place, $ready, $selection, changeDraft, setPlace, toggle } from "@/state";
import { HeightBlind } from "@/ui/blind";
import { Button, Choice, Select } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { Staff } from "@/ui/staff";
import { noteText, problemText, tuneCountText, Words } from "@/ui/words";
import styles from "@/ui/frame/View.module.css";
import { Candidates } from "./Candidates";
import own from "./IdentifyView.module.css";
import { Passages } from "./Passages";
import { ReasonPanel } from "./ReasonPanel";
import { draftOf, MOST_TUNE_BYTES, type ReadTunes, useTunes } from "./useTunes";

/** Identify: a tune from a file, pasted or typed, and the mode it is in with the reasons. */
export function IdentifyView() {
  const { tune: draft } = useStore($draft);
  const isReady = useStore($ready);
  const read = useTunes(draft);
  const [way, setWay] = useState<"read" | "type">("read");
  const [refusal, setRefusal] = useState<string>();

  const take = (text: string, name: string) => {
    setRefusal(undefined);
    changeDraft({ tune: draftOf(text, name) });
  };
  const takeFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_TUNE_BYTES) {
      setRefusal(`“${file.name}” is larger than 4 MB. A file of fewer tunes would do.`);
      return;
    }
    take(await file.text(), file.name.replace(/\.[^.]*$/, ""));
    setWay("read");
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void takeFile(event.dataTransfer.files[0]);
  };

  const isEmpty = isReady && (draft === undefined || draft.text.trim() === "");
  const isTyping = way === "type" || isEmpty;
  const ways = (
    <Ways way={isTyping ? "type" : "read"} onWay={setWay} onFile={(file) => void takeFile(file)} />
  );
  const input = (
    <TuneInput
      text={draft?.text ?? ""}
      isOpen={isTyping}
      isEmpty={isEmpty}
      read={read}
      refusal={refusal}
      onText={(text) => take(text, draft?.name ?? "")}
    />
  );
  return (
    <div className={styles.view} onDragOver={(event) => event.preventDefault()} onDrop={onDrop}>
      {read && read.tunes.length > 0 ? (
        <TuneAnswer key={read.key} read={read} ways={ways} input={input} />
      ) : (
        <div className={styles.answer}>
          <div className={styles.sentence}>
            <h1 className={own.ask}>Which mode is this tune in?</h1>
            {ways}
          </div>
          {input}
        </div>
      )}
    </div>
  );
}

interface WaysProps {
  readonly way: "read" | "type";
  readonly onWay: (way: "read" | "type") => void;
  readonly onFile: (file: File | undefined) => void;
}

/** The ways in: the staff as read, text in a field, or a file, chosen or dropped. */
function Ways({ way, onWay, onFile }: WaysProps) {
  return (
    <div className={own.ways}>
      <Choice
        label="The tune as notes or as text"
        value={way}
        onChange={onWay}
        options={[
          { value: "read", text: "Staff" },
          { value: "type", text: "Paste or type" },
        ]}
      />
      <label className={own.file} title="Or drop one anywhere on this view">
        <span>Open an ABC file</span>
        <input
          type="file"
          accept=".abc,.txt,text/vnd.abc,text/plain"
          onChange={(event) => {
            onFile(event.target.files?.[0]);
            event.target.value = "";
          }}
        />
      </label>
    </div>
  );
}

interface TuneInputProps {
  readonly text: string;
  readonly isOpen: boolean;
  readonly isEmpty: boolean;
  readonly read: ReadTunes | undefined;
  readonly refusal: string | undefined;
  readonly onText: (text: string) => void;
}

/** The text field, where it is open, and what in the text was not understood, and where. */
function TuneInput({ text, isOpen, isEmpty, read, refusal, onText }: TuneInputProps) {
  const problems = isEmpty ? [] : (read?.problems ?? []);
  if (!isOpen && problems.length === 0 && refusal === undefined) return null;
  return (
    <div className={own.input}>
      {isOpen && (
        <>
          <textarea
            className={own.text}
            aria-label="The tune, as ABC or note names"
            value={text}
            rows={9}
            spellCheck={false}
            placeholder={"A4:1 B4:0.5 C#5:0.5 | D5:2 ||\nor ABC:\nX:1\nK:AMix\nA2 c2 B2 d2 |"}
            onChange={(event) => onText(event.target.value)}
          />
          {isEmpty && (
            <p className={own.tries}>
              <span>Or try a tune of the play:</span>
              {DEMO_TUNES.map(({ id, title, text: abc }) => (
                <Button key={id} kind="quiet" onClick={() => onText(abc)}>
                  {title}
                </Button>
              ))}
            </p>
          )}
        </>
      )}
      {refusal !== undefined && (
        <p className={own.problem} role="alert">
          {refusal}
        </p>
      )}
      {problems.length > 0 && (
        <ul className={own.problem} aria-live="polite">
          {problems.slice(0, 4).map((problem) => (
            <li key={`${problem.offset} ${problem.code}`}>
              <Words>{problemText(problem, read?.text ?? "")}</Words>
            </li>
          ))}
          {problems.length > 4 && <li>and {problems.length - 4} more like these.</li>}
        </ul>
      )}
    </div>
  );
}

interface TuneAnswerProps {
  readonly read: ReadTunes;
  /** The ways in, set into the sentence, and the text field below it. */
  readonly ways: ReactNode;
  readonly input: ReactNode;
}

/** The answer for one tune of what was read. */
function TuneAnswer({ read, ways, input }: TuneAnswerProps) {
  const [which, setWhich] = useState(0);
  const [picked, setPicked] = useState<HomeMode>();
  const shown = read.tunes[Math.min(which, read.tunes.length - 1)];
  const tune = shown?.tune;
  const found = useMemo(() => tune && identify(tune, { about: picked }), [tune, picked]);
  const homeMode = found?.homeMode;

  const marks = useMemo(() => {
    if (!tune || !homeMode) return { colour: [], ends: [] };
    const lit = new Set(
      (colourNotes(homeMode.mode)[0] ?? []).map((interval) => soundOf(homeMode.home + interval)),
    );
    return {
      colour: tune.notes.flatMap(({ pitch }, at) => (lit.has(soundOf(pitch.name)) ? [at] : [])),
      ends: phraseEnds(tune),
    };
  }, [tune, homeMode]);

  useEffect(() => {
    if (!tune || !homeMode) return;
    const { home, mode } = homeMode;
    $selection.set({
      homeMode,
      lit: (colourNotes(mode)[0] ?? []).map((interval) => home + interval),
      targets: [],
      play: { code: "tune", score: tuneScore(tune) },
    });
    if ($place.get().home !== home || $place.get().mode !== mode) setPlace({ home, mode });
  }, [tune, homeMode]);

  const swap = homeMode && colourSwap(homeMode.mode);
  const hearSwap = () => {
    if (!tune || !homeMode || !swap) return;
    toggle(
      "swap",
      byTurns(tuneScore(tune), tuneScore(tune, { home: homeMode.home, from: swap.from, to: swap.to })),
    );
  };
  const title = tune?.title === "" ? read.name : (tune?.title ?? "");
  const keep = () => {
    if (!shown) return;
    $keeping.set({ kind: "tune", title: title || "Tune", words: "", source: read.source, text: shown.text });
  };

  useKeys("identify", [
    { key: "s", says: "Hear the tune with the colour note swapped, by turns", act: hearSwap },
    { key: "k", says: "Keep this tune", act: keep },
  ]);

  if (!shown || !tune || !found || !homeMode) return null;
  const score = tuneLabel(title, tune.notes.length, marks.ends.length);
  return (
    <>
      <div className={styles.answer}>
        <div className={styles.sentence}>
          <h1 className="visually-hidden">The mode of a tune</h1>
          <span>Tune</span>
          {read.tunes.length > 1 ? (
            <Select
              label="Which tune of the file"
              value={String(which)}
              options={read.tunes.map((each, at) => ({
                value: String(at),
                text: each.tune.title || `Tune ${at + 1}`,
              }))}
              onChange={(at) => {
                setWhich(Number(at));
                setPicked(undefined);
              }}
            />
          ) : (
            <strong className={own.title}>
              <Words>{title || "without a title"}</Words>
            </strong>
          )}
          {ways}
          <span className={own.count}>{tuneCountText(tune, read.source)}</span>
        </div>
        {input}
        <Staff
          tune={shown.engraved}
          text={shown.abc}
          colour={marks.colour}
          phraseEnds={marks.ends}
          label={score}
        />
        <div className={own.below}>
          <HeightBlind
            homeMode={homeMode}
            sounding={found.hearing.sounding}
            visiting={found.visiting.map(({ note }) => note)}
            open={found.open.map(({ interval }) => soundOf(interval))}
          />
          <Candidates found={found} onPick={setPicked} />
        </div>
        <Passages passages={found.passages} />
      </div>
      <ReasonPanel
        found={found}
        swapName={swap && noteText(homeMode.home + swap.to)}
        onSwap={hearSwap}
        onKeep={keep}
      />
    </>
  );
}

const tuneLabel = (title: string, notes: number, phrases: number) =>
  `${title}, engraved: ${notes} notes in ${phrases} phrases, colour notes notched, phrase ends barred below`;
