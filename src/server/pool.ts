import { Piscina } from "piscina";
import type { Tasks } from "./jobs";
import { fairTurns } from "./turns";

/** What the worker threads may take. */
export interface WorkLimits {
  /** Worker threads. */
  readonly threads: number;
  /** The longest that one task may compute, by the clock, and the longest that it may wait for a free worker, in seconds each. */
  readonly seconds: number;
  /** The most of a processor that one task may have, in seconds; what the clock allows unless set. */
  readonly processorSeconds?: number;
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

/** Whose task it is, and whether they are still there. */
export interface By {
  readonly client?: string | undefined;
  readonly left?: AbortSignal | undefined;
}

/** Worker threads that compute tasks, each within its limits. */
export interface WorkerPool {
  /**
   * Computes a task by its name. A task that takes too long or too much memory is ended with its worker, and another worker takes that
   * one's place; the others go on. Never throws.
   */
  readonly run: <K extends keyof Tasks>(
    name: K,
    task: Parameters<Tasks[K]>[0],
    by?: By,
  ) => Promise<Worked<Awaited<ReturnType<Tasks[K]>>>>;
  /**
   * A place among the requests that wait or are computed, to be given back by calling it; undefined where all are taken, or half of
   * them by the same client.
   */
  readonly admit: (client: string) => (() => void) | undefined;
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

/** Milliseconds between two looks at what the tasks under way have had of the processors. */
const LOOKS = 50;

/**
 * What each task under way has had of the processors. A thread's own share isn't told by the system here: what the process had is shared
 * out among the tasks that were under way.
 */
function processorShares() {
  const under = new Map<number, { seconds: number; readonly most: number; readonly stop: () => void }>();
  let looking: ReturnType<typeof setInterval> | undefined;
  let before = process.cpuUsage();
  const look = () => {
    const had = process.cpuUsage(before);
    before = process.cpuUsage();
    // One thread has one processor at most.
    const share = Math.min(LOOKS * 4, (had.user + had.system) / 1000 / under.size) / 1000;
    for (const task of under.values()) {
      task.seconds += share;
      if (task.seconds > task.most) task.stop();
    }
  };
  return {
    begin: (number: number, most: number, stop: () => void) => {
      if (looking === undefined) {
        before = process.cpuUsage();
        looking = setInterval(look, LOOKS);
        looking.unref();
      }
      under.set(number, { seconds: 0, most, stop });
    },
    /** Seconds that the task had. */
    end: (number: number): number => {
      const task = under.get(number);
      if (!task) return 0;
      look();
      under.delete(number);
      if (under.size === 0) {
        clearInterval(looking);
        looking = undefined;
      }
      return task.seconds;
    },
  };
}

/** Workers that run a file whose exports are the tasks by name. */
export function workerPool(
  file: URL,
  { threads, seconds, processorSeconds, megabytes, requests, niceness = 0 }: WorkLimits,
): WorkerPool {
  const pool = new Piscina({
    filename: file.href,
    minThreads: threads,
    maxThreads: threads,
    niceIncrement: niceness,
    resourceLimits: { maxOldGenerationSizeMb: megabytes },
  });
  const turns = fairTurns(threads);
  const shares = processorShares();
  /** What to do when a task begins, by its number. */
  const beginning = new Map<number, () => void>();
  pool.on("message", ({ began }: Began) => beginning.get(began)?.());
  // A worker that fails between tasks is replaced; there is nobody to tell.
  pool.on("error", () => undefined);
  let last = 0;
  let under = 0;
  const underBy = new Map<string, number>();
  return {
    run: async (name, task, { client = "", left } = {}) => {
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
        shares.begin(number, processorSeconds ?? Infinity, because("too-slow"));
      });
      const leave = because("left");
      left?.addEventListener("abort", leave);
      let giveBack: ((seconds: number) => void) | undefined;
      try {
        if (left?.aborted === true) return { stopped: "left" };
        giveBack = await turns.take(client, stop.signal);
        const numbered: Numbered<typeof task> = { number, task };
        const result: unknown = await pool.run(numbered, { name, signal: stop.signal });
        return { result: result as Awaited<ReturnType<Tasks[typeof name]>> };
      } catch (error) {
        const code = error instanceof Error && "code" in error ? error.code : undefined;
        return { stopped: code === "ERR_WORKER_OUT_OF_MEMORY" ? "too-much-memory" : stopped };
      } finally {
        clearTimeout(limit);
        const seconds = shares.end(number);
        giveBack?.(seconds);
        beginning.delete(number);
        left?.removeEventListener("abort", leave);
      }
    },
    admit: (client) => {
      const clientJobs = underBy.get(client) ?? 0;
      if (under >= requests || clientJobs >= Math.max(1, requests / 2)) return undefined;
      under += 1;
      underBy.set(client, clientJobs + 1);
      return () => {
        under -= 1;
        const count = (underBy.get(client) ?? 1) - 1;
        if (count > 0) underBy.set(client, count);
        else underBy.delete(client);
      };
    },
    end: () => pool.destroy(),
  };
}
