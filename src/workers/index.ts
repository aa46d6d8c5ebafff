import { proxy, type Remote, transfer, wrap } from "comlink";
import type { Identification, IdentifyChoice } from "@/core/identify";
import type { Voicing } from "@/core/instrument";
import type { Readings } from "@/core/progression";
import type { PitchFrame, Tune } from "@/core/tune";
import type {
  AskedOf,
  CollectionJobs,
  FingeringAsked,
  ModeJobs,
  PitchJobs,
  ReadingJobs,
  ReadingsAsked,
  ReckonedAnswer,
  TrackAsked,
  VoicingJobs,
} from "./messages";
import { newestWins } from "./newest";
import { withOwnModes } from "./own-modes";
import { received } from "./read-chart";

export type { AskedOf, ReckonedAnswer, ReckonedMode, SentTune } from "./messages";
export { collectionPool, type CollectionPool } from "./pool";

let jobs: Remote<ModeJobs> | undefined;

/** Asks all modes, off the main thread. The worker starts with the first question and stays; undefined where a newer one came. */
export const askAllModes = newestWins(async (question: AskedOf): Promise<ReckonedAnswer> => {
  jobs ??= wrap<ModeJobs>(new Worker(new URL("./modes.worker.ts", import.meta.url), { type: "module" }));
  return jobs.ask(question);
});

/** A search that is under way. */
export interface Search {
  readonly found: Promise<readonly Voicing[]>;
  /** Calls it off: `found` never settles then. */
  readonly cancel: () => void;
}

let reader: Remote<ReadingJobs> | undefined;

/** Reads a chart off the main thread. The worker starts with the first chart and stays; undefined where a newer one came. */
export const readReadings = newestWins(async (asked: ReadingsAsked): Promise<Readings> => {
  reader ??= wrap<ReadingJobs>(
    new Worker(new URL("./readings.worker.ts", import.meta.url), { type: "module" }),
  );
  return received(await reader.read(asked));
});

let listener: Remote<CollectionJobs> | undefined;

/** Identifies a long tune off the main thread. The worker starts with the first and stays. */
export async function identifyLong(tune: Tune, choice: IdentifyChoice): Promise<Identification | undefined> {
  listener ??= wrap<CollectionJobs>(
    new Worker(new URL("./identify.worker.ts", import.meta.url), { type: "module" }),
  );
  return withOwnModes(await listener.identifyLong(tune, choice));
}

let idle: { readonly worker: Worker; readonly jobs: Remote<VoicingJobs> } | undefined;

/**
 * Looks for a chord's voicings off the main thread and tells how far it has come, from 0 to 1. The worker stays for the next
 * search; one that is called off in the middle is ended.
 */
export function findVoicings(asked: FingeringAsked, onProgress: (share: number) => void): Search {
  const worker =
    idle?.worker ?? new Worker(new URL("./voicings.worker.ts", import.meta.url), { type: "module" });
  const mine = idle ?? { worker, jobs: wrap<VoicingJobs>(worker) };
  idle = undefined;
  let isDone = false;
  const found = mine.jobs.find(asked, proxy(onProgress)).then((voicings) => {
    isDone = true;
    idle ??= mine;
    return voicings;
  });
  return {
    found,
    cancel: () => {
      if (!isDone) mine.worker.terminate();
    },
  };
}

/** Following the pitch of a recording, under way. */
export interface Tracking {
  readonly frames: Promise<readonly PitchFrame[]>;
  /** Calls it off: `frames` never settles then. */
  readonly cancel: () => void;
}

/** Follows the pitch of a recording off the main thread and tells how far it has come, from 0 to 1. */
export function trackPitch(recording: TrackAsked, onProgress: (share: number) => void): Tracking {
  const worker = new Worker(new URL("./pitch.worker.ts", import.meta.url), { type: "module" });
  const jobs = wrap<PitchJobs>(worker);
  const { samples, rate } = recording;
  const frames = jobs
    .track(transfer({ samples, rate }, [samples.buffer as ArrayBuffer]), proxy(onProgress))
    .finally(() => worker.terminate());
  return { frames, cancel: () => worker.terminate() };
}
