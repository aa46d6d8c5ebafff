import { useStore } from "@nanostores/react";
import { useEffect, useRef, useState } from "react";
import { heardNotes, type PitchFrame, type Timed } from "@/core/tune";
import { decodedAudio, type Microphone, record, type Recorded, type Recording, timedNotes } from "@/devices";
import { readNotes } from "@/formats";
import { tuneDocument } from "@/session";
import { trackPitch } from "@/workers";
import { takeRecording } from "./taken-in";

/** What the fiddler plays who stands in for a player before the microphone. */
const PHRASE =
  "E4:1 F4:0.5 G4 A4:1 B4 | C5:0.5 B4 A4 G4 F4:1 D4 | E4:0.5 F4 G4 A4 B4:1 A4 | G4:0.5 F4 D4 F4 E4:2 ||";
const PHRASE_TEMPO = 132;

/** Where a recording has come to. */
export type RecordState =
  | { readonly at: "idle" }
  | { readonly at: "recording" }
  | { readonly at: "listening"; readonly share: number }
  | { readonly at: "heard" }
  | {
      readonly at: "refused";
      readonly why: "no-microphone" | "not-audio" | "nothing-heard";
      readonly name: string;
    };

/** What was heard of a recording: the line of its pitch, and the notes that were made of it, which can be corrected. */
export interface HeardLine {
  readonly frames: readonly PitchFrame[];
  readonly notes: readonly Timed[];
}

/** Records, follows the pitch, and makes a tune of the notes; the line stays with the tune. */
export function useRecording() {
  const [state, setState] = useState<RecordState>({ at: "idle" });
  const { line } = useStore(tuneDocument.$value);
  const recording = useRef<Recording>(undefined);
  const tracking = useRef<AbortController>(undefined);
  useEffect(
    () => () => {
      recording.current?.cancel();
      tracking.current?.abort();
    },
    [],
  );

  const listen = async (recorded: Recorded, name: string) => {
    setState({ at: "listening", share: 0 });
    const calling = new AbortController();
    tracking.current = calling;
    const outcome = await trackPitch(recorded, {
      onProgress: (share) => setState({ at: "listening", share }),
      signal: calling.signal,
    });
    if (calling.signal.aborted) return;
    if (!("answer" in outcome)) {
      setState({ at: "idle" });
      return;
    }
    const frames = outcome.answer;
    const notes = heardNotes(frames);
    if (notes.length === 0) {
      setState({ at: "refused", why: "nothing-heard", name });
      return;
    }
    setState({ at: "heard" });
    takeRecording({ frames, notes });
  };
  const stop = async () => {
    const running = recording.current;
    recording.current = undefined;
    if (running) await listen(await running.stop(), "");
  };
  return {
    state,
    line,
    start: async (from: Microphone) => {
      setState({ at: "recording" });
      try {
        const phrase = timedNotes(readNotes(PHRASE).value, PHRASE_TEMPO);
        recording.current = await record(from, phrase, () => void stop());
      } catch {
        setState({ at: "refused", why: "no-microphone", name: "" });
      }
    },
    stop,
    open: async (file: File) => {
      try {
        await listen(await decodedAudio(await file.arrayBuffer()), file.name);
      } catch {
        setState({ at: "refused", why: "not-audio", name: file.name });
      }
    },
    cancel: () => {
      recording.current?.cancel();
      recording.current = undefined;
      tracking.current?.abort();
      setState({ at: line ? "heard" : "idle" });
    },
  };
}
export type RecordingState = ReturnType<typeof useRecording>;
