import { midiOf, printPitch } from "@/core/pitch";
import type { NoteChange } from "@/core/reshape";
import type { HomeMode } from "@/core/scale";
import { allNotes, type Tune } from "@/core/tune";
import { hearNote } from "@/session";
import { Button } from "@/kit/controls";
import { noteSentence } from "@/words";
import { setNote } from "./reshaped";
import { soundPitch } from "./writing";

interface SetNoteProps {
  readonly change: NoteChange;
  /** The tune before. */
  readonly tune: Tune;
  readonly from: HomeMode;
  readonly to: HomeMode;
}

/** The selected note: what it was and is, and set by hand a half step at a time. */
export function SetNote({ change, tune, from, to }: SetNoteProps) {
  const { place, before, after, isByHand } = change;
  const bar = tune.bars[allNotes(tune)[place]?.bar ?? 0]?.number ?? 1;
  const move = (by: 1 | -1) => {
    const midi = midiOf(after ?? before) + by;
    setNote(place, printPitch(soundPitch(midi, to)));
    hearNote(midi);
  };
  return (
    <span>
      {noteSentence(change, bar, from, to)}{" "}
      <Button kind="quiet" aria-label="A half step up" onClick={() => move(1)}>
        ♯
      </Button>{" "}
      <Button kind="quiet" aria-label="A half step down" onClick={() => move(-1)}>
        ♭
      </Button>
      {isByHand && (
        <>
          {" "}
          <Button kind="quiet" onClick={() => setNote(place, undefined)}>
            Back to the rule
          </Button>
        </>
      )}
    </span>
  );
}
