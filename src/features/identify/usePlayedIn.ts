import { useEffect, useEffectEvent, useRef, useState } from "react";
import type { Timed } from "@/core/tune";
import { type KeyEvent, midiKeyboards, type MidiKeyboard, simulatedKeyboard } from "@/devices";
import { $settings, $noteInput, hearNote, tuneDocument } from "@/session";
import { takePlayed } from "./taken-in";

/** The keyboard that is always there. */
export const SIMULATED = simulatedKeyboard();

/** Keys of a keyboard as notes: a key that is still down has no length yet. */
interface Open {
  readonly midi: number;
  readonly at: number;
}

/** When the last of some notes ends, in seconds. */
const endOf = (notes: readonly Timed[]) =>
  notes.reduce((last, { onset, duration }) => Math.max(last, onset + duration), -Infinity);

/** Takes notes in while it is on the screen: from a keyboard in their time, and from the stage, a quarter each. */
export function usePlayedIn() {
  const [keyboards, setKeyboards] = useState<readonly MidiKeyboard[]>([SIMULATED]);
  const [id, setId] = useState(SIMULATED.id);
  /** Seconds by which what is played now is moved, so that it follows what was played before this was on the screen. */
  const moved = useRef<number>(undefined);
  const add = useEffectEvent((note: Timed) => {
    const { played = [] } = tuneDocument.$value.get();
    moved.current ??= played.length === 0 ? 0 : endOf(played) - note.onset;
    takePlayed({ ...note, onset: note.onset + moved.current });
  });

  useEffect(() => {
    let isCurrent = true;
    const look = () =>
      void midiKeyboards(look).then((found) => {
        if (isCurrent) setKeyboards([...found, SIMULATED]);
      });
    look();
    return () => {
      isCurrent = false;
    };
  }, []);

  const keyboard = keyboards.find((each) => each.id === id) ?? SIMULATED;
  useEffect(() => {
    const open: Open[] = [];
    return keyboard.listen(({ midi, isDown, at }: KeyEvent) => {
      if (isDown) open.push({ midi, at });
      const place = isDown ? -1 : open.findIndex((each) => each.midi === midi);
      const [note] = place < 0 ? [] : open.splice(place, 1);
      if (note) add({ midi, onset: note.at, duration: Math.max(0.02, at - note.at) });
    });
  }, [keyboard]);
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

  return {
    keyboards,
    keyboard,
    chooseKeyboard: setId,
  };
}
