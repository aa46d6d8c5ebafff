import type { Fifths } from "@/core/pitch";
import type { TuneNote, TuneVoice } from "@/core/tune";
import { Button } from "@/kit/controls";
import { noteText, pitchText, voiceText } from "@/words";

interface SelectedNoteProps {
  readonly note: TuneNote;
  /** Its voice, where there are several. */
  readonly voice?: TuneVoice | undefined;
  readonly bar: number;
  readonly isOut: boolean;
  readonly onLeaveOut: () => void;
  readonly onHome: (home: Fifths) => void;
}

/** What can be done with one note: leave it out, or take it for home. */
export function SelectedNote({ note, voice, bar, isOut, onLeaveOut, onHome }: SelectedNoteProps) {
  return (
    <>
      {`${pitchText(note.pitch)} in ${bar === 0 ? "the pickup" : `bar ${bar}`}${voice ? `, ${voiceText(voice, note.voice ?? 0)}` : ""}`}{" "}
      <Button kind="quiet" onClick={onLeaveOut}>
        {isOut ? "Take it in" : "Leave it out"}
      </Button>
      <Button kind="quiet" onClick={() => onHome(note.pitch.name)}>
        {`Take ${noteText(note.pitch.name)} for home`}
      </Button>
    </>
  );
}
