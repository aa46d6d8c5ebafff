import { useEffect, useRef } from "react";
import type { Timed } from "@/core/tune";
import { $settings, $noteInput, hearNote } from "@/session";
import { tuneDocument } from "./tune-document";
import { useKeyboards } from "@/session/playing/useKeyboards";
import { takePlayed } from "./taken-in";

/** When the last of some notes ends, in seconds. */
const endOf = (notes: readonly Timed[]) =>
  notes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), -Infinity);

/** Takes notes in while it is on the screen: from a keyboard in their time, and from the stage, a quarter each. */
export function usePlayedIn() {
  /** Seconds by which what is played now is moved, so that it follows what was played before this was on the screen. */
  const moved = useRef<number>(undefined);
  const add = (note: Timed) => {
    const { played = [] } = tuneDocument.$value.get();
    moved.current ??= played.length === 0 ? 0 : endOf(played) - note.onset;
    takePlayed({ ...note, onset: note.onset + moved.current });
  };

  const heard = useKeyboards({ onNote: add });
  useEffect(() => {
    $noteInput.set((midi) => {
      hearNote(midi);
      // One click follows another without a rest, however long the next one takes to find.
      const { played = [] } = tuneDocument.$value.get();
      const onset = played.length === 0 ? performance.now() / 1000 : endOf(played);
      takePlayed({ midi, onset, duration: 60 / $settings.get().tempo });
    });
    return () => $noteInput.set(undefined);
  }, []);

  return heard;
}
