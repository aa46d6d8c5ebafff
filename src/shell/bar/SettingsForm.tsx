import { useStore } from "@nanostores/react";
import { useEffect } from "react";
import { NOTE_NAMINGS, type NoteNaming } from "@/core/pitch";
import { $room, $settings, changeSettings, measureRoom } from "@/session";
import type { Settings } from "@/storage";
import { Choice, Select } from "@/kit/controls";
import { ComparisonSelect, ReferenceSelect } from "@/shell/panel";
import { Setting } from "@/kit/dialog";
import { $offline } from "@/shell/frame/offline";
import {
  OFFLINE_TEXT,
  storageText,
  SOLFEGE_SAYS,
  REFERENCE_SAYS,
  COMPARISON_SAYS,
  SINGLE_KEYS_SAY,
  ROOM_UNKNOWN,
} from "@/words";

const NAMING_TEXT: Readonly<Record<NoteNaming, string>> = {
  english: "A B C",
  german: "German, H and B",
  "fixed-do": "Do Ré Mi",
};

const SYLLABLES: readonly { readonly value: Settings["syllables"]; readonly text: string }[] = [
  { value: "home", text: "do on home" },
  { value: "parent", text: "do on the parent’s tonic" },
  { value: "numbers", text: "numbers" },
  { value: "none", text: "none" },
];

/** Names, solfège and comparisons, where players disagree; the theme, keys and storage. */
export function SettingsForm() {
  const offline = useStore($offline);
  const { theme, noteNames, majorNames, shortcuts, syllables } = useStore($settings);
  return (
    <>
      <Setting name="Note names">
        <Choice
          label="Note names"
          value={noteNames}
          onChange={(value) => changeSettings({ noteNames: value })}
          options={NOTE_NAMINGS.map((value) => ({ value, text: NAMING_TEXT[value] }))}
        />
      </Setting>
      <Setting name="The two plain modes">
        <Choice
          label="The two plain modes"
          value={majorNames}
          onChange={(value) => changeSettings({ majorNames: value })}
          options={[
            { value: "modes", text: "Ionian and Aeolian" },
            { value: "plain", text: "major and natural minor" },
          ]}
        />
      </Setting>
      <Setting name="Solfège" says={SOLFEGE_SAYS}>
        <Select
          label="Solfège"
          size="small"
          value={syllables}
          options={SYLLABLES}
          onChange={(value) => changeSettings({ syllables: value })}
        />
      </Setting>
      <Setting name="Reference scale" says={REFERENCE_SAYS}>
        <ReferenceSelect />
      </Setting>
      <Setting name="Compared with" says={COMPARISON_SAYS}>
        <ComparisonSelect />
      </Setting>
      <Setting name="Theme">
        <Choice
          label="Theme"
          value={theme}
          onChange={(value) => changeSettings({ theme: value })}
          options={[
            { value: "system", text: "follow the system" },
            { value: "light", text: "light" },
            { value: "dark", text: "dark" },
          ]}
        />
      </Setting>
      <Setting name="Single keys" says={SINGLE_KEYS_SAY}>
        <Choice
          label="Single keys"
          value={shortcuts ? "on" : "off"}
          onChange={(value) => changeSettings({ shortcuts: value === "on" })}
          options={[
            { value: "on", text: "on" },
            { value: "off", text: "off" },
          ]}
        />
      </Setting>
      <Setting name="Storage">
        <StorageSaid />
      </Setting>
      <Setting name="Offline">
        <p>{OFFLINE_TEXT[offline]}</p>
      </Setting>
    </>
  );
}

/** How much room what is saved takes, and whether the browser keeps it. */
function StorageSaid() {
  const room = useStore($room);
  useEffect(() => void measureRoom().catch(() => undefined), []);
  return <p>{room ? storageText(room) : ROOM_UNKNOWN}</p>;
}
