import { useStore } from "@nanostores/react";
import { useEffect, useMemo, useState } from "react";
import { printName, soundOf } from "@/core/pitch";
import { allNotes } from "@/core/tune";
import type { TuneText as TextOfTune } from "@/formats";
import { alternating, swapped, tuneScore } from "@/audio";
import {
  $ready,
  $toSave,
  openFiles,
  openIn,
  SWAP,
  swapLive,
  toggle,
  readMusic,
  taker,
  whenComputed,
} from "@/session";
import { BLANK_TUNE, tuneDocument } from "./tune-document";
import { useIncoming } from "@/session/place/useIncoming";
import { barsFrom, fromStaff, onStaff } from "@/session/stage/staff-part";
import { useConventions } from "@/session/settings/useConventions";
import { HeightStrip } from "@/kit/pitch-strip";
import { Button, Select } from "@/kit/controls";
import { useKeys } from "@/session/place/useKeys";
import { DocumentTools } from "@/shell/documents";
import { ExportDialog, ShownBars } from "@/shell/tune";
import { Staff } from "@/kit/staff";
import {
  countText,
  problemText,
  tuneCountText,
  IDENTIFY_ASKS,
  ALL_LEFT_OUT,
  engravedText,
  LISTENING,
  figureText,
} from "@/words";
import { classes } from "@/kit/classes";
import styles from "@/shell/frame/View.module.css";
import { Candidates } from "./Candidates";
import { bringBackCollection, openCollection, textOf } from "./collection";
import { type Row } from "./collection-rows";
import { CollectionShow, useCollection } from "./CollectionShow";
import { isRecording, noTune, onlyTextIn } from "./files";
import { heardSwap, placesBySound } from "./heard-tune";
import own from "./IdentifyView.module.css";
import { $identifyPart, $way, IDENTIFY, setWay, showPart } from "./route";
import { SelectedNote } from "./SelectedNote";
import { TuneSheet } from "./TuneSheet";
import { Passages } from "./Passages";
import { PlayIn } from "./PlayIn";
import { ReasonPanel } from "./ReasonPanel";
import { Record } from "./Record";
import { TuneText, Ways } from "./TuneInput";
import { undecidedNotes } from "./selection";
import { UNTOUCHED } from "./taken-in";
import { useRecording } from "./useRecording";
import { $tunes, typedTune } from "./read-tunes";
import {
  $answer,
  $byHand,
  $isListening,
  $isSilenced,
  $which,
  chooseBars,
  chooseHome,
  chooseMode,
  chooseTune,
  leaveOut,
  setBack,
  turnTo,
} from "./tune-answer";
import { Voices } from "./Voices";

/** Identify: a tune from files, typed, played or recorded, and the mode it is in with the reasons; or a collection of tunes. */
export function IdentifyView() {
  const conventions = useConventions();
  const value = useStore(tuneDocument.$value);
  const isReady = useStore($ready);
  const collection = useCollection();
  const part = useStore($identifyPart);
  const read = useStore($tunes);
  const which = useStore($which);
  const answer = useStore($answer);
  const byHand = useStore($byHand);
  const isListening = useStore($isListening);
  const isSilenced = useStore($isSilenced);
  const way = useStore($way);
  const [refusal, setRefusal] = useState<string>();
  const [pointed, setPointed] = useState<readonly number[]>();
  const [note, setNote] = useState<number>();
  const [isExporting, setExporting] = useState(false);
  const [isPrinting, setPrinting] = useState(false);

  /** A tune from elsewhere is a document of its own; the one before stays under Recent. */
  const take = ({ source, text, name }: TextOfTune) => {
    setRefusal(undefined);
    setNote(undefined);
    setPointed(undefined);
    openIn(IDENTIFY, tuneDocument, { ...BLANK_TUNE, source, text, name }, "tune");
  };
  const type = (text: string) => {
    setRefusal(undefined);
    setNote(undefined);
    setWay("type");
    tuneDocument.change({ ...UNTOUCHED, ...typedTune(text, value.name), origin: undefined }, "typing");
  };
  const recording = useRecording();
  const takeFiles = async (files: readonly File[]) => {
    const [file] = files;
    if (!file) return;
    setRefusal(undefined);
    if (files.length === 1 && isRecording(file)) {
      showPart("tune");
      setWay("record");
      await recording.open(file);
      return;
    }
    const only = files.length > 1 ? "several" : await onlyTextIn(file);
    showPart(only === "several" ? "collection" : "tune");
    if (only === "several") await openCollection(files);
    else if ("source" in only) {
      // What holds no tune is refused, and what was worked on stays in front.
      const { value: tunes, problems } = await readMusic(only);
      if (tunes.some(({ tune }) => allNotes(tune).length > 0)) take(only);
      else setRefusal(problemText(problems[0] ?? noTune(file.name), only.source === "midi" ? "" : only.text));
    } else setRefusal(problemText(only, ""));
  };
  useEffect(() => void bringBackCollection(), []);
  useIncoming(IDENTIFY, (files) => void takeFiles(files));
  const openRow = async (row: Row) => {
    const text = await textOf(row);
    if (text) take(text);
  };

  const tune = answer?.shown.tune;
  const homeMode = answer?.found.homeMode;
  const shown = answer?.shown;
  // The staff draws its marks anew when these change.
  const pointedOnStaff = useMemo(() => shown && pointed && onStaff(shown, pointed), [shown, pointed]);
  const bars = answer?.found.bars;
  const heardAt = useMemo(
    () => shown && placesBySound(shown, bars, byHand.without),
    [shown, bars, byHand.without],
  );
  const withoutOnStaff = useMemo(
    () => shown && new Set(onStaff(shown, [...byHand.without])),
    [shown, byHand.without],
  );
  const firstBar = shown?.from ?? 0;
  const barsOnStaff = useMemo(() => byHand.bars && barsFrom(byHand.bars, -firstBar), [byHand.bars, firstBar]);
  const chosenNote = tune && note !== undefined ? allNotes(tune)[note] : undefined;
  const swap = answer && heardSwap(answer.found, conventions);
  const hearSwap = () => {
    if (swapLive() || !tune || !homeMode || !swap) return;
    toggle(
      SWAP,
      alternating(
        tuneScore(tune),
        swapped(tuneScore(tune), { home: homeMode.home, from: swap.from, to: swap.to }),
      ),
    );
  };
  const title = tune?.title === "" ? (read?.name ?? "") : (tune?.title ?? "");
  const save = () => {
    if (!answer) return;
    $toSave.set({ kind: "tune", title: title || "Tune", words: "", ...answer.shown.saved });
  };

  const reshapeIt = () => answer && taker("tune")?.({ ...answer.shown.saved, name: title }, fromHere());
  const fromHere = () =>
    byHand.about ? { home: printName(byHand.about.home), mode: byHand.about.mode.id } : undefined;

  useKeys("Identify", [
    { key: "s", says: "Hear the tune with the characteristic note swapped", act: hearSwap },
    {
      key: "P",
      says: "Print the tune",
      act: () => whenComputed(() => setPrinting($answer.get() !== undefined)),
    },
    { key: "k", says: "Save this tune", act: save },
    {
      key: "o",
      says: "Show the tune, or the collection",
      act: () => showPart(part === "tune" && collection ? "collection" : "tune"),
    },
  ]);

  if (collection && part === "collection") {
    return (
      <div className={own.drop}>
        <CollectionShow
          collection={collection}
          onOpen={(row) => void openRow(row)}
          onBack={() => showPart("tune")}
        />
      </div>
    );
  }

  const isEmpty = isReady && value.text.trim() === "";
  const isTyped = value.source === "abc" || value.source === "notes" || isEmpty;
  const isTextOpen =
    way === "type" ||
    (way === "staff" && (isEmpty || (isReady && read !== undefined && !answer && !isListening && isTyped)));
  return (
    <div className={styles.view}>
      <div className={classes(styles.answer, own.column)} data-way={isTextOpen ? "type" : way}>
        <div className={styles.sentence}>
          <h1 className={answer ? "visually-hidden" : own.ask}>{IDENTIFY_ASKS}</h1>
          {answer && <span>Tune</span>}
          {answer && read && read.tunes.length > 1 && (
            <Select
              label="Which tune of the text"
              value={String(which)}
              options={read.tunes.map((each, at) => ({
                value: String(at),
                text: each.tune.title || `Tune ${at + 1}`,
              }))}
              onChange={(at) => chooseTune(Number(at))}
            />
          )}
          {answer && read?.tunes.length === 1 && (
            <strong className={own.title} title={title}>
              {title || "without a title"}
            </strong>
          )}
          <DocumentTools document={tuneDocument} name="tune" />
          <Ways way={isTextOpen ? "type" : way} onWay={setWay} onFiles={(files) => void openFiles(files)} />
          {tune && read && (
            <span className={own.count}>
              {tuneCountText(tune, read.source, read.origin)}
              <Button
                kind="quiet"
                title="As ABC, MusicXML or MIDI"
                onClick={() => whenComputed(() => setExporting(true))}
              >
                Export
              </Button>
              <Button
                kind="quiet"
                keyName="P"
                aria-haspopup="dialog"
                onClick={() => whenComputed(() => setPrinting(true))}
              >
                Print
              </Button>
              <Button kind="quiet" title="Put it into another mode" onClick={() => reshapeIt()}>
                Reshape
              </Button>
            </span>
          )}
          {collection && (
            <Button kind="quiet" keyName="o" onClick={() => showPart("collection")}>
              {`All ${figureText(collection.rows.length)} tunes`}
            </Button>
          )}
        </div>
        {way === "play" && <PlayIn />}
        {way === "record" && <Record recording={recording} />}
        <TuneText
          text={isTyped ? value.text : ""}
          isOpen={isTextOpen}
          isEmpty={isEmpty}
          read={read}
          refusal={refusal}
          onText={type}
          onTry={(text) => take(typedTune(text, ""))}
        />
        {isListening && (
          <p className={own.listening} role="status">
            {LISTENING}
          </p>
        )}
        {isSilenced && (
          <p className={own.replaced}>
            {ALL_LEFT_OUT}
            <Button kind="quiet" onClick={setBack}>
              Take them in again
            </Button>
          </p>
        )}
        {answer && homeMode && tune && read && (
          <>
            <div className={own.facts}>
              <ShownBars shown={answer.shown} onTurn={turnTo} />
              {byHand.without.size > 0 && (
                <span>
                  {`${countText(byHand.without.size, "note")} left out`}{" "}
                  <Button kind="quiet" onClick={setBack}>
                    Take all in
                  </Button>
                </span>
              )}
              <span className={own.note} role="status">
                {note !== undefined && chosenNote && (
                  <SelectedNote
                    note={chosenNote}
                    voice={tune.voices?.[chosenNote.voice ?? 0]}
                    bar={tune.bars[chosenNote.bar]?.number ?? 1}
                    isOut={byHand.without.has(note)}
                    onLeaveOut={() => leaveOut([note])}
                    onHome={chooseHome}
                  />
                )}
              </span>
            </div>
            <Staff
              tune={answer.shown.engraved}
              text={answer.shown.abc}
              characteristic={answer.characteristic}
              phraseEnds={answer.ends}
              pointed={pointedOnStaff}
              without={withoutOnStaff}
              bars={barsOnStaff}
              chosen={note === undefined ? undefined : onStaff(answer.shown, [note])[0]}
              onChoose={(at) => setNote(at === undefined ? undefined : fromStaff(answer.shown, at))}
              onBars={(range) => chooseBars(range && barsFrom(range, firstBar))}
              onLeaveOut={() => note !== undefined && leaveOut([note])}
              label={engravedText(title, allNotes(answer.shown.engraved).length, answer.ends.length)}
            />
            <Voices tune={tune} without={byHand.without} onLeaveOut={leaveOut} />
            <div className={own.below}>
              <HeightStrip
                homeMode={homeMode}
                sounding={answer.found.hearing.sounding}
                outside={answer.found.outside.map((each) => each.note)}
                undecided={undecidedNotes(answer.found).map((each) => soundOf(each - homeMode.home))}
              />
              <Candidates found={answer.found} home={byHand.home} onPick={chooseMode} onHome={chooseHome} />
            </div>
            <Passages
              passages={answer.found.passages}
              keys={answer.found.keyPassages}
              bars={tune.bars}
              chosen={byHand.bars}
              onBars={chooseBars}
            />
            <TuneSheet
              open={isPrinting}
              onClose={() => setPrinting(false)}
              shown={answer.shown}
              title={title}
              found={answer.found}
            />
            <ExportDialog open={isExporting} onClose={() => setExporting(false)} tune={tune} title={title} />
          </>
        )}
      </div>
      {answer && homeMode && tune && (
        <ReasonPanel
          found={answer.found}
          placesOf={(name) => heardAt?.[soundOf(name)] ?? []}
          swap={swap}
          onSwap={hearSwap}
          onSave={save}
          onPoint={setPointed}
        />
      )}
    </div>
  );
}
