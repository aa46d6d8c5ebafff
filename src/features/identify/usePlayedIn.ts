import { useEffect, useEffectEvent, useRef, useState } from "react";
import { playedTune, type Timed } from "@/core/tune";
import { type KeyEvent, midiKeyboards, type MidiKeyboard, simulatedKeyboard } from "@/devices";
import { writeNotes } from "@/formats";
import { $settings, $striking, hearNote } from "@/session";

/** The keyboard that is always there. */
export const SIMULATED = simulatedKeyboard();

/** Keys of a keyboard as notes: a key that is still down has no length yet. */
interface Open {
  readonly midi: number;
  readonly at: number;
}

/**
 * Takes notes in while it is on the screen: from a keyboard in their time, and from the stage, a quarter each. What was taken in is handed
 * over as typed notes after every note.
 */
export function usePlayedIn(onNotes: (text: string) => void) {
  const [keyboards, setKeyboards] = useState<readonly MidiKeyboard[]>([SIMULATED]);
  const [id, setId] = useState(SIMULATED.id);
  /** All that was played: notes come faster than the screen is drawn. */
  const played = useRef<readonly Timed[]>([]);
  const [count, setCount] = useState(0);
  const put = (next: readonly Timed[]) => {
    played.current = next;
    setCount(next.length);
    onNotes(writeNotes(playedTune(next, $settings.get().tempo)));
  };
  const add = useEffectEvent((note: Timed) => put([...played.current, note]));

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
    $striking.set((midi) => {
      hearNote(midi);
      // One click follows another without a rest, however long the next one takes to find.
      const ends = played.current.map(({ onset, duration }) => onset + duration);
      const onset = ends.length === 0 ? performance.now() / 1000 : ends.reduce((a, b) => Math.max(a, b));
      add({ midi, onset, duration: 60 / $settings.get().tempo });
    });
    return () => $striking.set(undefined);
  }, []);

  return {
    keyboards,
    keyboard,
    chooseKeyboard: setId,
    count,
    takeBack: () => put(played.current.slice(0, -1)),
    clear: () => put([]),
  };
}
