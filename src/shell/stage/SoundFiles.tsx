import { useState } from "react";
import { type Part, PARTS } from "@/audio";
import { whenComputed } from "@/session";
import { Button, Choice, Labelled, Select } from "@/kit/controls";
import { Setting } from "@/kit/dialog";
import { SOUND_FILES_SAY, soundFileFailedText } from "@/words";
import { saveMidi, saveWav } from "./tracks";

/** Minutes of sound in a file, or once through. */
const LENGTHS = ["once", "1", "3", "5", "10"] as const;

/** What Play plays, as files. */
export function SoundFiles() {
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
    <Setting name="Files" says={SOUND_FILES_SAY}>
      <Labelled label="Length">
        <Select
          label="Length"
          size="small"
          value={length}
          options={LENGTHS.map((value) => ({
            value,
            text: value === "once" ? "once through" : value === "1" ? "one minute" : `${value} minutes`,
          }))}
          onChange={setLength}
        />
      </Labelled>
      <Labelled label="Parts">
        <Choice
          label="Parts"
          size="small"
          value={way}
          options={[
            { value: "together", text: "together" },
            { value: "apart", text: "a file each" },
          ]}
          onChange={setWay}
        />
      </Labelled>
      <Button
        disabled={state.at === "busy"}
        onClick={() => whenComputed(() => act(() => saveWav(minutes * 60, parts)))}
      >
        {state.at === "busy" ? "Rendering" : "Save as WAV"}
      </Button>
      <Button
        disabled={state.at === "busy"}
        onClick={() => whenComputed(() => act(() => saveMidi(minutes * 60)))}
      >
        Save as MIDI
      </Button>
      {state.at === "failed" && <p role="alert">{soundFileFailedText(state.reason)}</p>}
    </Setting>
  );
}
