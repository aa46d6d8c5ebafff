import { useEffect, useEffectEvent, useState } from "react";
import type { Timed } from "@/core/tune";
import { type KeyEvent, midiKeyboards, type MidiKeyboard, simulatedKeyboard } from "@/devices";

/** The keyboard that is always there. */
export const SIMULATED = simulatedKeyboard();

interface Heard {
  /** A key goes down, at a time of the page in seconds. */
  readonly onPress?: (midi: number, at: number) => void;
  /** A key is up again: the note with its length. */
  readonly onNote?: (note: Timed) => void;
}

/** Listens to a keyboard while it is on the screen: one that is plugged in, or the simulated one. */
export function useKeyboards({ onPress, onNote }: Heard) {
  const [keyboards, setKeyboards] = useState<readonly MidiKeyboard[]>([SIMULATED]);
  const [id, setId] = useState(SIMULATED.id);
  const pressed = useEffectEvent((midi: number, at: number) => onPress?.(midi, at));
  const noted = useEffectEvent((note: Timed) => onNote?.(note));

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
    // A key that is still down has no length yet.
    const open: { readonly midi: number; readonly at: number }[] = [];
    return keyboard.listen(({ midi, isDown, at }: KeyEvent) => {
      if (isDown) {
        open.push({ midi, at });
        pressed(midi, at);
        return;
      }
      const place = open.findIndex((each) => each.midi === midi);
      const [note] = place < 0 ? [] : open.splice(place, 1);
      if (note) noted({ midi, onset: note.at, duration: Math.max(0.02, at - note.at) });
    });
  }, [keyboard]);

  return { keyboards, keyboard, chooseKeyboard: setId };
}
