import type { Timed } from "@/core/tune";
import { performed, type Player, PLAYERS } from "./players";

/** Samples of one channel, from -1 to 1. */
export interface Recorded {
  readonly samples: Float32Array<ArrayBuffer>;
  readonly rate: number;
}

/** Longer recordings are cut: five minutes. */
const MAX_SECONDS = 300;

/** A recording under way. */
export interface Recording {
  /** Ends it; settles with what was recorded. */
  readonly stop: () => Promise<Recorded>;
  /** Ends it and throws away what was recorded. */
  readonly cancel: () => void;
}

/** Where sound comes from while it is recorded: a microphone, or one of those who stand in for a player before it. */
export type Microphone = "microphone" | Player;

/**
 * Begins to record: from the microphone, or from a simulated player who plays some notes in its place. Both go the same way
 * from there on. Rejects where the user does not allow the microphone or there is none.
 *
 * @param onEnd called when the player has played to the end, or five minutes are over
 */
export async function record(
  from: Microphone,
  notes: readonly Timed[],
  onEnd: () => void,
): Promise<Recording> {
  const context = new AudioContext();
  const [stream, close] =
    from === "microphone"
      ? await openMicrophone()
      : playIntoStream(context, performed(notes, context.sampleRate, PLAYERS[from]), onEnd);
  const recorder = new MediaRecorder(stream);
  const chunks: Blob[] = [];
  recorder.addEventListener("dataavailable", ({ data }) => chunks.push(data));
  const stopped = new Promise<void>((resolve) =>
    recorder.addEventListener("stop", () => resolve(), { once: true }),
  );
  recorder.start();
  const limit = setTimeout(onEnd, MAX_SECONDS * 1000);
  const end = async () => {
    clearTimeout(limit);
    if (recorder.state !== "inactive") recorder.stop();
    await stopped;
    close();
    await context.close();
  };
  return {
    stop: async () => {
      await end();
      return decodedAudio(await new Blob(chunks).arrayBuffer());
    },
    cancel: () => void end(),
  };
}

async function openMicrophone(): Promise<readonly [MediaStream, () => void]> {
  const stream = await navigator.mediaDevices.getUserMedia({
    // What makes speech clear bends a melody.
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  return [
    stream,
    () => {
      for (const track of stream.getTracks()) track.stop();
    },
  ];
}

function playIntoStream(
  context: AudioContext,
  samples: Float32Array<ArrayBuffer>,
  onEnd: () => void,
): readonly [MediaStream, () => void] {
  const buffer = context.createBuffer(1, samples.length, context.sampleRate);
  buffer.copyToChannel(samples, 0);
  const source = context.createBufferSource();
  source.buffer = buffer;
  const into = context.createMediaStreamDestination();
  source.connect(into);
  source.addEventListener("ended", onEnd, { once: true });
  source.start();
  return [into.stream, () => source.disconnect()];
}

/**
 * The sound in an audio file, its channels mixed into one; the browser's own decoder, so whatever it plays. Rejects where it
 * cannot read the file.
 */
export async function decodedAudio(bytes: ArrayBuffer): Promise<Recorded> {
  const context = new OfflineAudioContext(1, 1, 44_100);
  const audio = await context.decodeAudioData(bytes);
  const length = Math.min(audio.length, MAX_SECONDS * audio.sampleRate);
  const samples = new Float32Array(length);
  for (let channel = 0; channel < audio.numberOfChannels; channel += 1) {
    const channelSamples = audio.getChannelData(channel);
    for (let at = 0; at < length; at += 1)
      samples[at] = (samples[at] ?? 0) + (channelSamples[at] ?? 0) / audio.numberOfChannels;
  }
  return { samples, rate: audio.sampleRate };
}
