import { useStore } from "@nanostores/react";
import { timedNotes } from "@/devices";
import { readNotes } from "@/formats";
import { tuneDocument } from "./tune-document";
import { useListening } from "@/session/playing/useListening";
import { takeRecording } from "./taken-in";

/** What the fiddler plays who stands in for a player before the microphone. */
const PHRASE = timedNotes(
  readNotes(
    "E4:1 F4:0.5 G4 A4:1 B4 | C5:0.5 B4 A4 G4 F4:1 D4 | E4:0.5 F4 G4 A4 B4:1 A4 | G4:0.5 F4 D4 F4 E4:2 ||",
  ).value,
  132,
);

/** Records, and makes a tune of the notes; the line stays with the tune. */
export function useRecording() {
  const { line } = useStore(tuneDocument.$value);
  const listening = useListening({ phrase: PHRASE, onLine: takeRecording });
  return { ...listening, line, cancel: () => listening.cancel(line !== undefined) };
}
export type RecordingState = ReturnType<typeof useRecording>;
