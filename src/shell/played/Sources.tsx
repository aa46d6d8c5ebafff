import type { Microphone, MidiKeyboard } from "@/devices";
import { Select } from "@/kit/controls";
import { SOUND_SOURCES } from "@/session/playing/useListening";

interface KeyboardSelectProps {
  readonly keyboards: readonly MidiKeyboard[];
  readonly keyboard: MidiKeyboard;
  readonly onChoose: (id: string) => void;
}

/** Which keyboard is listened to. */
export function KeyboardSelect({ keyboards, keyboard, onChoose }: KeyboardSelectProps) {
  return (
    <Select
      label="Keyboard"
      size="small"
      value={keyboard.id}
      options={keyboards.map(({ id, name }) => ({ value: id, text: name }))}
      onChange={onChoose}
    />
  );
}

interface SourceSelectProps {
  readonly from: Microphone;
  readonly onChoose: (from: Microphone) => void;
}

/** Where sound that is recorded comes from. */
export function SourceSelect({ from, onChoose }: SourceSelectProps) {
  return (
    <Select
      label="Where the sound comes from"
      size="small"
      value={from}
      options={SOUND_SOURCES}
      onChange={onChoose}
    />
  );
}
