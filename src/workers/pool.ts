import { type Remote, wrap } from "comlink";
import type { CollectionJobs, IdentifyAsked, SentTune } from "./messages";

/** Several workers that go through a collection together. */
export interface CollectionPool {
  /** Settles when a worker has gone through the texts. Work waits its turn while all are busy. */
  readonly identify: (texts: readonly IdentifyAsked[]) => Promise<readonly (readonly SentTune[])[]>;
  /** Settles when a worker is free: whoever reads files waits for it, so that no more is read than can be worked on. */
  readonly ready: () => Promise<void>;
  /** Ends the workers; what was under way never settles. */
  readonly end: () => void;
}

/** More than this many work no faster: they share the machine with the page. */
const MOST_WORKERS = 4;

/** Starts workers for a collection: one less than the machine has cores, so that the page keeps one. */
export function collectionPool(cores: number): CollectionPool {
  const count = Math.max(1, Math.min(MOST_WORKERS, cores - 1));
  const workers = Array.from(
    { length: count },
    () => new Worker(new URL("./identify.worker.ts", import.meta.url), { type: "module" }),
  );
  const free: Remote<CollectionJobs>[] = workers.map((worker) => wrap<CollectionJobs>(worker));
  const waiting: (() => void)[] = [];
  const ready = () =>
    free.length > 0 ? Promise.resolve() : new Promise<void>((resolve) => void waiting.push(resolve));
  return {
    identify: async (texts) => {
      while (free.length === 0) await ready();
      const jobs = free.pop() as Remote<CollectionJobs>;
      try {
        return await jobs.identify(texts);
      } finally {
        free.push(jobs);
        waiting.shift()?.();
      }
    },
    ready,
    end: () => {
      for (const worker of workers) worker.terminate();
    },
  };
}
