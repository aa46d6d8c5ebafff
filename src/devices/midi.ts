/** A key that goes down or comes up on a keyboard. */
export interface KeyEvent {
  readonly midi: number;
  readonly isDown: boolean;
  /** Seconds, by the clock of the page. */
  readonly at: number;
}

/** A keyboard that can be listened to. */
export interface MidiKeyboard {
  readonly id: string;
  readonly name: string;
  /** Hears every key from now on, until what it answers is called. */
  readonly listen: (onKey: (event: KeyEvent) => void) => () => void;
}

const [NOTE_OFF, NOTE_ON] = [0x80, 0x90];
/** The drum channel of a keyboard with pads. */
const PADS = 9;

/**
 * The key event in a MIDI message, or undefined where it is another. A key that comes down with no force comes up.
 *
 * @example keyEventIn(Uint8Array.of(0x90, 60, 80), 1.5) // { midi: 60, isDown: true, at: 1.5 }
 * @source MIDI 1.0, channel voice messages
 */
export function keyEventIn(message: Uint8Array, at: number): KeyEvent | undefined {
  const [status = 0, midi = 0, force = 0] = message;
  const kind = status & 0xf0;
  if ((status & 0x0f) === PADS || (kind !== NOTE_ON && kind !== NOTE_OFF) || midi > 127) return undefined;
  return { midi, isDown: kind === NOTE_ON && force > 0, at };
}

/**
 * The keyboards that are plugged in; none where the browser has no MIDI or the user does not allow it. `onChange` is called
 * when one is plugged in or pulled out.
 */
export async function midiKeyboards(onChange: () => void): Promise<readonly MidiKeyboard[]> {
  if (typeof navigator === "undefined" || !("requestMIDIAccess" in navigator)) return [];
  try {
    const access = await navigator.requestMIDIAccess();
    access.onstatechange = onChange;
    return [...access.inputs.values()].map((input) => ({
      id: input.id,
      name: input.name ?? "MIDI keyboard",
      listen: (onKey) => {
        const hear = ({ data, timeStamp }: MIDIMessageEvent) => {
          const event = data && keyEventIn(data, timeStamp / 1000);
          if (event) onKey(event);
        };
        input.addEventListener("midimessage", hear);
        return () => input.removeEventListener("midimessage", hear);
      },
    }));
  } catch {
    return [];
  }
}
