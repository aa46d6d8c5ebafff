import { useStore } from "@nanostores/react";
import { type DragEvent, useState } from "react";
import { soundOf } from "@/core/pitch";
import type { Identification } from "@/core/identify";
import { colourSwap, type Swap, type Telling } from "@/core/scale";
import { byTurns, swapped, tuneScore } from "@/sound";
import { $draft, $keeping, $ready, changeDraft, swapLive, toggle } from "@/state";
import { useSchools } from "@/ui/useSchools";
import { HeightBlind } from "@/ui/blind";
import { Select } from "@/ui/controls";
import { useKeys } from "@/ui/keys";
import { Staff } from "@/ui/staff";
import { noteText, tuneCountText } from "@/ui/words";
import styles from "@/ui/frame/View.module.css";
import { Candidates } from "./Candidates";
import own from "./IdentifyView.module.css";
import { Passages } from "./Passages";
import { ReasonPanel } from "./ReasonPanel";
import { TuneText, Ways } from "./TuneInput";
import { useAnswer } from "./useAnswer";
import { MOST_FILE_BYTES } from "@/ui/files";
import { draftOf, useTunes } from "./useTunes";

/** Identify: a tune from a file, pasted or typed, and the mode it is in with the reasons. */
export function IdentifyView() {
  const schools = useSchools();
  const { tune: draft } = useStore($draft);
  const isReady = useStore($ready);
  const read = useTunes(draft);
  const { answer, which, chooseTune, chooseMode } = useAnswer(read);
  const [way, setWay] = useState<"staff" | "text">("staff");
  const [refusal, setRefusal] = useState<string>();

  const take = (text: string, name: string, next: "staff" | "text") => {
    setRefusal(undefined);
    setWay(next);
    changeDraft({ tune: draftOf(text, name) });
  };
  const takeFile = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > MOST_FILE_BYTES) {
      setRefusal(`“${file.name}” is larger than 4 MB. A file of fewer tunes would do.`);
      return;
    }
    take(await file.text(), file.name.replace(/\.[^.]*$/, ""), "staff");
  };
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void takeFile(event.dataTransfer.files[0]);
  };

  const tune = answer?.shown.tune;
  const homeMode = answer?.found.homeMode;
  const swap = answer && heardSwap(answer.found, schools);
  const hearSwap = () => {
    if (swapLive() || !tune || !homeMode || !swap) return;
    toggle(
      "swap",
      byTurns(
        tuneScore(tune),
        swapped(tuneScore(tune), { home: homeMode.home, from: swap.from, to: swap.to }),
      ),
    );
  };
  const title = tune?.title === "" ? (read?.name ?? "") : (tune?.title ?? "");
  const keep = () => {
    if (!answer || !read) return;
    $keeping.set({
      kind: "tune",
      title: title || "Tune",
      words: "",
      source: read.source,
      text: answer.shown.text,
    });
  };

  useKeys("identify", [
    { key: "s", says: "Hear the tune with the colour note swapped, by turns", act: hearSwap },
    { key: "k", says: "Keep this tune", act: keep },
  ]);

  const isEmpty = isReady && (draft === undefined || draft.text.trim() === "");
  const isTextOpen = way === "text" || isEmpty || (isReady && read !== undefined && !answer);
  return (
    <div className={styles.view} onDragOver={(event) => event.preventDefault()} onDrop={onDrop}>
      <div className={styles.answer}>
        <div className={styles.sentence}>
          <h1 className={answer ? "visually-hidden" : own.ask}>Which mode is this tune in?</h1>
          {answer && <span>Tune</span>}
          {answer && read && read.tunes.length > 1 && (
            <Select
              label="Which tune of the file"
              value={String(which)}
              options={read.tunes.map((each, at) => ({
                value: String(at),
                text: each.tune.title || `Tune ${at + 1}`,
              }))}
              onChange={(at) => chooseTune(Number(at))}
            />
          )}
          {answer && read?.tunes.length === 1 && (
            <strong className={own.title}>{title || "without a title"}</strong>
          )}
          <Ways way={isTextOpen ? "text" : "staff"} onWay={setWay} onFile={(file) => void takeFile(file)} />
          {tune && read && <span className={own.count}>{tuneCountText(tune, read.source)}</span>}
        </div>
        <TuneText
          text={draft?.text ?? ""}
          isOpen={isTextOpen}
          isEmpty={isEmpty}
          read={read}
          refusal={refusal}
          onText={(text) => take(text, draft?.name ?? "", "text")}
          onTry={(text) => take(text, "", "staff")}
        />
        {answer && homeMode && (
          <>
            <Staff
              tune={answer.shown.engraved}
              text={answer.shown.abc}
              colour={answer.colour}
              phraseEnds={answer.ends}
              label={staffText(title, answer.shown.tune.notes.length, answer.ends.length)}
            />
            <div className={own.below}>
              <HeightBlind
                homeMode={homeMode}
                sounding={answer.found.hearing.sounding}
                visiting={answer.found.visiting.map(({ note }) => note)}
                open={answer.found.open.map(({ interval }) => soundOf(interval))}
              />
              <Candidates found={answer.found} onPick={chooseMode} />
            </div>
            <Passages passages={answer.found.passages} />
          </>
        )}
      </div>
      {answer && homeMode && (
        <ReasonPanel
          found={answer.found}
          swapName={swap && noteText(homeMode.home + swap.to)}
          onSwap={hearSwap}
          onKeep={keep}
        />
      )}
    </div>
  );
}

/** The swap of the colour note, where the tune has that note: without it there would be nothing to hear. */
function heardSwap(
  { homeMode: { home, mode }, hearing }: Identification,
  telling: Telling,
): Swap | undefined {
  const swap = colourSwap(mode, telling);
  return swap && (hearing.sounding[soundOf(home + swap.from)] ?? 0) > 0 ? swap : undefined;
}

const staffText = (title: string, notes: number, phrases: number) =>
  `${title || "Tune"}, engraved: ${notes} notes in ${phrases} phrases, colour notes notched, phrase ends barred below`;
