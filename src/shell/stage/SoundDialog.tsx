import { useStore } from "@nanostores/react";
import { useState } from "react";
import { PART_SILENT, PARTS, type Part, testScore } from "@/audio";
import { $playing, $settings, changeSettings, toggle } from "@/session";
import { Button, Choice, NumberField, Select, Toggle } from "@/kit/controls";
import { Dialog, Setting } from "@/kit/dialog";
import { PART_TEXT } from "@/words";
import styles from "./Dialogs.module.css";
import { saveMidi, saveWav } from "./tracks";

interface SoundDialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
}

const COUNTS = ["0", "2", "3", "4", "8"] as const;
const LENGTHS = ["once", "1", "3", "5", "10"] as const;

/** How loud each part is, what comes before, how the tempo climbs, and what is heard as a file. */
export function SoundDialog({ open, onClose }: SoundDialogProps) {
  return (
    <Dialog
      title="Sound"
      says="These settings are for everything that Play plays. They take effect on the next repeat."
      open={open}
      onClose={onClose}
      place="side"
    >
      <SoundForm />
    </Dialog>
  );
}

function SoundForm() {
  const { parts, countIn, climb, tempo, loop, click } = useStore($settings);
  const playing = useStore($playing);
  return (
    <>
      <Setting
        name="Parts"
        says="The volume begins low, whatever it was left at. Hear the test tone before you put headphones on, and keep long sessions soft."
      >
        {PARTS.map((part) => (
          <label key={part} className={styles.part}>
            <span>{PART_TEXT[part]}</span>
            <input
              type="range"
              min={PART_SILENT}
              max={6}
              value={parts[part]}
              aria-label={`Volume of the part: ${PART_TEXT[part]}`}
              aria-valuetext={parts[part] === PART_SILENT ? "silent" : `${parts[part]} decibels`}
              onChange={(event) =>
                changeSettings({ parts: { ...parts, [part]: Number(event.target.value) } })
              }
            />
            <output>{parts[part] === PART_SILENT ? "silent" : `${parts[part]} dB`}</output>
          </label>
        ))}
        <Button aria-pressed={playing === "test"} onClick={() => toggle("test", testScore())}>
          Test tone
        </Button>
      </Setting>
      <Setting name="Before and over again">
        <Select
          label="Count-in"
          size="small"
          value={COUNTS.find((each) => Number(each) === countIn) ?? "0"}
          options={COUNTS.map((value) => ({
            value,
            text: value === "0" ? "no count-in" : `${value} beats before`,
          }))}
          onChange={(value) => changeSettings({ countIn: Number(value) })}
        />
        <Toggle isOn={click} onChange={(isOn) => changeSettings({ click: isOn })}>
          Click on every beat
        </Toggle>
        <Toggle isOn={loop} onChange={(isOn) => changeSettings({ loop: isOn })}>
          Go round and round
        </Toggle>
      </Setting>
      <Setting
        name="A tempo that climbs"
        says="It begins at the tempo that is set and grows by itself as the rounds go by."
      >
        <Toggle
          isOn={climb.isOn}
          onChange={(isOn) => changeSettings({ climb: { ...climb, isOn }, loop: isOn || loop })}
        >
          climb
        </Toggle>
        <NumberField
          label="Beats a minute faster each time"
          least={1}
          most={40}
          value={climb.by}
          unit="faster every"
          onChange={(by) => changeSettings({ climb: { ...climb, by } })}
        />
        <NumberField
          label="Rounds between"
          least={1}
          most={32}
          value={climb.every}
          unit="rounds, up to"
          onChange={(every) => changeSettings({ climb: { ...climb, every } })}
        />
        <NumberField
          label="Tempo that it climbs to"
          least={30}
          most={300}
          value={climb.to}
          onChange={(to) => changeSettings({ climb: { ...climb, to } })}
        />
        {climb.isOn && climb.to <= tempo && (
          <p role="status">The tempo is {tempo} already, so there is nothing to climb.</p>
        )}
      </Setting>
      <Files />
    </>
  );
}

/** What Play plays, as files. */
function Files() {
  const [length, setLength] = useState<(typeof LENGTHS)[number]>("once");
  const [way, setWay] = useState<"together" | "apart">("together");
  const [state, setState] = useState<{ at: "idle" | "busy" } | { at: "failed"; reason: string }>({
    at: "idle",
  });
  const minutes = length === "once" ? 0 : Number(length);
  const act = (make: () => Promise<void>) => {
    setState({ at: "busy" });
    make().then(
      () => setState({ at: "idle" }),
      (error: unknown) =>
        setState({ at: "failed", reason: error instanceof Error ? error.message : String(error) }),
    );
  };
  const parts: readonly (readonly Part[])[] = way === "together" ? [PARTS] : PARTS.map((part) => [part]);
  return (
    <Setting
      name="As files"
      says="What Play plays, with the volumes of the parts: to practise with elsewhere."
    >
      <Select
        label="How long"
        size="small"
        value={length}
        options={LENGTHS.map((value) => ({
          value,
          text: value === "once" ? "one round" : value === "1" ? "one minute" : `${value} minutes`,
        }))}
        onChange={setLength}
      />
      <Choice
        label="Parts together or apart"
        size="small"
        value={way}
        options={[
          { value: "together", text: "together" },
          { value: "apart", text: "a file for each part" },
        ]}
        onChange={setWay}
      />
      <Button disabled={state.at === "busy"} onClick={() => act(() => saveWav(minutes * 60, parts))}>
        {state.at === "busy" ? "Rendering" : "Save as WAV"}
      </Button>
      <Button disabled={state.at === "busy"} onClick={() => act(() => saveMidi(minutes * 60))}>
        Save as MIDI
      </Button>
      {state.at === "failed" && (
        <p role="alert">It could not be made: {state.reason}. A shorter one may do.</p>
      )}
    </Setting>
  );
}
