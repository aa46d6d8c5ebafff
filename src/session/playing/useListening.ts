import { useEffect, useRef, useState } from "react";
import { type HeardNote, heardNotes, type PitchFrame, type Timed } from "@/core/tune";
import { decodedAudio, type Microphone, record, type Recorded, type Recording } from "@/devices";
import { trackPitch } from "@/workers";

/** Where sound can come from. */
export const SOUND_SOURCES: readonly { readonly value: Microphone; readonly text: string }[] = [
  { value: "microphone", text: "Microphone" },
  { value: "fiddler", text: "Simulated fiddler" },
  { value: "singer", text: "Simulated singer" },
  { value: "guitarist", text: "Simulated guitarist" },
];

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

interface Listening {
  /** What is played by whoever stands in for a player before the microphone. */
  readonly phrase: readonly Timed[];
  /** Takes what was heard. */
  readonly onLine: (line: {
    readonly frames: readonly PitchFrame[];
    readonly notes: readonly HeardNote[];
  }) => void;
}

/** Records one voice, follows its pitch, and makes notes of it. */
export function useListening({ phrase, onLine }: Listening) {
  const [state, setState] = useState<RecordState>({ at: "idle" });
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
    onLine({ frames, notes });
  };
  const stop = async () => {
    const running = recording.current;
    recording.current = undefined;
    if (running) await listen(await running.stop(), "");
  };
  return {
    state,
    start: async (from: Microphone) => {
      setState({ at: "recording" });
      try {
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
    cancel: (isHeard: boolean) => {
      recording.current?.cancel();
      recording.current = undefined;
      tracking.current?.abort();
      setState({ at: isHeard ? "heard" : "idle" });
    },
  };
}
