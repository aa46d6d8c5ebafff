import type { Timed } from "@/core/tune";
import { keyEventIn, type KeyEvent, type MidiKeyboard } from "./midi";

/** A keyboard that is not there: it sends the same messages as one that is. */
export interface SimulatedKeyboard extends MidiKeyboard {
  readonly press: (midi: number) => void;
  readonly release: (midi: number) => void;
  /** Plays notes in their time by itself; what it answers stops it. */
  readonly perform: (notes: readonly Timed[]) => () => void;
}

const [ON, OFF, FORCE] = [0x90, 0x80, 80];

/** Makes a simulated keyboard, for trying things out where none is plugged in. */
export function simulatedKeyboard(): SimulatedKeyboard {
  const listeners = new Set<(event: KeyEvent) => void>();
  const send = (status: number, midi: number) => {
    const event = keyEventIn(Uint8Array.of(status, midi, FORCE), performance.now() / 1000);
    if (event) for (const hear of listeners) hear(event);
  };
  const press = (midi: number) => send(ON, midi);
  const release = (midi: number) => send(OFF, midi);
  return {
    id: "simulated",
    name: "Simulated keyboard",
    listen: (onKey) => {
      listeners.add(onKey);
      return () => listeners.delete(onKey);
    },
    press,
    release,
    perform: (notes) => {
      const timers = notes.flatMap(({ midi, onset, duration }) => [
        setTimeout(() => press(midi), onset * 1000),
        setTimeout(() => release(midi), (onset + duration) * 1000),
      ]);
      return () => timers.forEach(clearTimeout);
    },
  };
}
