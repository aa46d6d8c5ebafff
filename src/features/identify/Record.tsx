import { useState } from "react";
import { useStore } from "@nanostores/react";
import type { Microphone } from "@/devices";
import { tuneDocument } from "./tune-document";
import { SourceSelect } from "@/shell/played";
import { Button, FileButton } from "@/kit/controls";
import { recordText } from "@/words";
import { RECORDING_FILES } from "./files";
import { PitchLine } from "./PitchLine";
import styles from "./PlayIn.module.css";
import { takeCorrected } from "./taken-in";
import type { RecordingState } from "./useRecording";

interface RecordProps {
  readonly recording: RecordingState;
}

/** A recording of one voice: from the microphone, a fiddler who stands in for it, or an audio file. */
export function Record({ recording }: RecordProps) {
  const { state, line, start, stop, open, cancel } = recording;
  const { undo } = useStore(tuneDocument.$steps);
  const [from, setFrom] = useState<Microphone>("microphone");
  return (
    <section className={styles.played} aria-label="Record">
      <div className={styles.row}>
        <SourceSelect from={from} onChoose={setFrom} />
        {state.at === "recording" ? (
          <Button kind="main" onClick={() => void stop()}>
            Stop
          </Button>
        ) : (
          <Button kind="main" disabled={state.at === "listening"} onClick={() => void start(from)}>
            Record
          </Button>
        )}
        <FileButton label="Open a recording" accept={RECORDING_FILES} onFile={(file) => void open(file)}>
          Open a recording
        </FileButton>
        {(state.at === "recording" || state.at === "listening") && <Button onClick={cancel}>Cancel</Button>}
        <span className={styles.said} role="status">
          {recordText(state)}
        </span>
      </div>
      {line && (
        <PitchLine line={line} onNotes={takeCorrected} onUndo={undo > 0 ? tuneDocument.undo : undefined} />
      )}
    </section>
  );
}
