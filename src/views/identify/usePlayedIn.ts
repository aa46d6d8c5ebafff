import { useEffect, useRef, useState } from "react";
import { playedTune, type Timed } from "@/core/tune";
import { type KeyEvent, midiKeyboards, type MidiKeyboard, simulatedKeyboard } from "@/devices";
import { writeNotes } from "@/formats";
import { $settings, $striking, hearNote } from "@/state";

/** The keyboard that is always there. */
export const SIMULATED = simulatedKeyboard();

/** Keys of a keyboard as notes: a key that is still down has no length yet. */
interface Open {
  readonly midi: number;
  readonly at: number;
}

/**
 * Takes notes in while it is on: from a keyboard in their time, and from the stage, a quarter each. What was taken in is handed
 * over as typed notes after every note.
 */
export function usePlayedIn(isOn: boolean, onNotes: (text: string) => void) {
  const [keyboards, setKeyboards] = useState<readonly MidiKeyboard[]>([SIMULATED]);
  const [id, setId] = useState(SIMULATED.id);
  const [played, setPlayed] = useState<readonly Timed[]>([]);
  const latest = useRef(onNotes);
  useEffect(() => {
    latest.current = onNotes;
  });

  useEffect(() => {
    if (!isOn) return undefined;
    let isCurrent = true;
    const look = () =>
      void midiKeyboards(look).then((found) => {
        if (isCurrent) setKeyboards([...found, SIMULATED]);
      });
    look();
    return () => {
      isCurrent = false;
    };
  }, [isOn]);

  const put = (next: readonly Timed[]) => {
    setPlayed(next);
    latest.current(writeNotes(playedTune(next, $settings.get().tempo)));
  };
  const putLatest = useRef(put);
  const notes = useRef(played);
  useEffect(() => {
    putLatest.current = put;
    notes.current = played;
  });

  const keyboard = keyboards.find((each) => each.id === id) ?? SIMULATED;
  useEffect(() => {
    if (!isOn) return undefined;
    const open: Open[] = [];
    const add = (note: Timed) => {
      const next = [...notes.current, note];
      notes.current = next;
      putLatest.current(next);
    };
    const hear = ({ midi, isDown, at }: KeyEvent) => {
      if (isDown) open.push({ midi, at });
      const place = isDown ? -1 : open.findIndex((each) => each.midi === midi);
      const [note] = place < 0 ? [] : open.splice(place, 1);
      if (note) add({ midi, onset: note.at, duration: Math.max(0.02, at - note.at) });
    };
    const stop = keyboard.listen(hear);
    $striking.set((midi) => {
      hearNote(midi);
      const quarter = 60 / $settings.get().tempo;
      const last = notes.current.reduce((end, { onset, duration }) => Math.max(end, onset + duration), 0);
      add({ midi, onset: last, duration: quarter });
    });
    return () => {
      stop();
      $striking.set(undefined);
    };
  }, [isOn, keyboard]);

  return {
    keyboards,
    keyboard,
    chooseKeyboard: setId,
    count: played.length,
    takeBack: () => put(played.slice(0, -1)),
    clear: () => put([]),
  };
}
