import type { Outcome, WorkerClient } from "./client";
import type { CollectionJobs, IdentifyAsked, SentTune } from "./messages";

/** Several workers that go through a collection together. */
export interface CollectionPool {
  /** Settles when a worker has gone through the texts. Work waits its turn while all are busy. */
  readonly identify: (texts: readonly IdentifyAsked[]) => Promise<Outcome<readonly (readonly SentTune[])[]>>;
  /** Settles when a worker is free: whoever reads files waits for it, so that no more is read than can be worked on. */
  readonly ready: () => Promise<void>;
  /** Cancels what is under way, and ends the workers. */
  readonly end: () => void;
}

/** More than this many work no faster: they share the machine with the page. */
export const MAX_WORKERS = 4;

/** Goes through a collection with so many workers at once: one less than the machine has cores, so that the page keeps one. */
export function collectionPool(cores: number, tunes: WorkerClient<CollectionJobs>): CollectionPool {
  let free = Math.max(1, Math.min(MAX_WORKERS, cores - 1));
  const waiting: (() => void)[] = [];
  const calling = new AbortController();
  const ready = () =>
    free > 0 ? Promise.resolve() : new Promise<void>((resolve) => void waiting.push(resolve));
  return {
    identify: async (texts) => {
      while (free === 0) await ready();
      free -= 1;
      const outcome = await tunes.ask((jobs) => jobs.identify(texts), calling.signal);
      free += 1;
      waiting.shift()?.();
      return outcome;
    },
    ready,
    end: () => {
      calling.abort();
      tunes.rest();
    },
  };
}
