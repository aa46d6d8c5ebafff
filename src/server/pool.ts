import { Piscina } from "piscina";
import type { Tasks } from "./jobs";

/** What the worker threads may take. */
export interface WorkLimits {
  /** Worker threads. */
  readonly threads: number;
  /** The longest that one task may compute, and the longest that it may wait for a free worker, in seconds each. */
  readonly seconds: number;
  /** The largest heap of a worker, in megabytes. */
  readonly megabytes: number;
  /** Requests that may wait or be computed at once. */
  readonly requests: number;
  /** How far its workers stand back while the machine is busy, from 0 to 19 as the system counts, where it lets them; 0 unless set. */
  readonly niceness?: number;
}

/** Why a task has no result. */
export type Stopped = "busy" | "too-slow" | "too-much-memory" | "left" | "broken";

/** The result of a task, or why there is none. */
type Worked<R> = { readonly result: R } | { readonly stopped: Stopped };

/** Worker threads that compute tasks, each within its limits. */
export interface WorkerPool {
  /**
   * Computes a task by its name. A task that takes too long or too much memory is ended with its worker, and another worker takes that
   * one's place; the others go on. Never throws.
   */
  readonly run: <K extends keyof Tasks>(
    name: K,
    task: Parameters<Tasks[K]>[0],
    left?: AbortSignal,
  ) => Promise<Worked<Awaited<ReturnType<Tasks[K]>>>>;
  /** A place among the requests that wait or are computed, to be given back by calling it; undefined where all are taken. */
  readonly admit: () => (() => void) | undefined;
  /** Ends all workers at once. */
  readonly end: () => Promise<void>;
}

/** What a worker sends when it begins a task: from here on the time counts. */
export interface Began {
  readonly began: number;
}

/** What stands in front of a task on its way to a worker. */
export interface Numbered<T> {
  readonly number: number;
  readonly task: T;
}

/** Workers that run a file whose exports are the tasks by name. */
export function workerPool(
  file: URL,
  { threads, seconds, megabytes, requests, niceness = 0 }: WorkLimits,
): WorkerPool {
  const pool = new Piscina({
    filename: file.href,
    minThreads: threads,
    maxThreads: threads,
    niceIncrement: niceness,
    resourceLimits: { maxOldGenerationSizeMb: megabytes },
  });
  /** What to do when a task begins, by its number. */
  const beginning = new Map<number, () => void>();
  pool.on("message", ({ began }: Began) => beginning.get(began)?.());
  // A worker that fails between tasks is replaced; there is nobody to tell.
  pool.on("error", () => undefined);
  let last = 0;
  let under = 0;
  return {
    run: async (name, task, left) => {
      const number = (last += 1);
      const stop = new AbortController();
      let stopped: Stopped = "broken";
      const because = (reason: Stopped) => () => {
        stopped = reason;
        stop.abort();
      };
      let limit = setTimeout(because("busy"), seconds * 1000);
      beginning.set(number, () => {
        clearTimeout(limit);
        limit = setTimeout(because("too-slow"), seconds * 1000);
      });
      const leave = because("left");
      left?.addEventListener("abort", leave);
      try {
        if (left?.aborted === true) return { stopped: "left" };
        const numbered: Numbered<typeof task> = { number, task };
        const result: unknown = await pool.run(numbered, { name, signal: stop.signal });
        return { result: result as Awaited<ReturnType<Tasks[typeof name]>> };
      } catch (error) {
        const code = error instanceof Error && "code" in error ? error.code : undefined;
        return { stopped: code === "ERR_WORKER_OUT_OF_MEMORY" ? "too-much-memory" : stopped };
      } finally {
        clearTimeout(limit);
        beginning.delete(number);
        left?.removeEventListener("abort", leave);
      }
    },
    admit: () => {
      if (under >= requests) return undefined;
      under += 1;
      return () => void (under -= 1);
    },
    end: () => pool.destroy(),
  };
}
