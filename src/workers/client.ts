import { atom } from "nanostores";
import { type Endpoint, type Remote, wrap } from "comlink";

/** What came of a job: its answer, or why there is none. */
export type Outcome<R> =
  { readonly answer: R } | { readonly none: "superseded" | "cancelled" | "failed"; readonly why?: string };

/** A worker as the client uses it. */
export type Started = Endpoint & Pick<Worker, "terminate">;

/** Whether a job failed: the page says so until that is dismissed. */
export const $jobFailed = atom(false);

/** How many jobs are under way. */
export const $jobsUnderWay = atom(0);

/** Workers of one kind. */
export interface WorkerClient<J> {
  /** Does a job in one of them. Never rejects. */
  readonly ask: <R>(job: (jobs: Remote<J>) => Promise<R>, signal?: AbortSignal) => Promise<Outcome<R>>;
  /** Ends those that wait for a job. */
  readonly rest: () => void;
}

interface Ready<J> {
  readonly worker: Started;
  readonly jobs: Remote<J>;
}

/**
 * A client for the workers of one kind. The first job starts one, which stays for the next. A job begun while another is under way gets a
 * worker of its own. A worker whose job is cancelled, or that breaks, is ended, and the next job starts another.
 *
 * @param stay how many stay for the next job
 * @example const modes = workerClient<ModeJobs>(() => new Worker(…)); await modes.ask((jobs) => jobs.ask(question)) // { answer }
 */
export function workerClient<J>(start: () => Started, stay = 1): WorkerClient<J> {
  const idle: Ready<J>[] = [];
  const begin = (): Ready<J> => {
    const worker = start();
    const ready = { worker, jobs: wrap<J>(worker) };
    // One that breaks while it waits, as where its script never came, does no further job.
    worker.addEventListener("error", () => {
      const at = idle.indexOf(ready);
      if (at < 0) return;
      idle.splice(at, 1);
      worker.terminate();
    });
    return ready;
  };
  const ask = <R>(job: (jobs: Remote<J>) => Promise<R>, signal?: AbortSignal) =>
    new Promise<Outcome<R>>((resolve) => {
      if (signal?.aborted) {
        resolve({ none: "cancelled" });
        return;
      }
      let ready: Ready<J>;
      try {
        ready = idle.pop() ?? begin();
      } catch (error) {
        $jobFailed.set(true);
        resolve({ none: "failed", why: String(error) });
        return;
      }
      $jobsUnderWay.set($jobsUnderWay.get() + 1);
      let isOver = false;
      const settle = (outcome: Outcome<R>, isSound: boolean) => {
        if (isOver) return;
        isOver = true;
        $jobsUnderWay.set($jobsUnderWay.get() - 1);
        ready.worker.removeEventListener("error", breakDown);
        signal?.removeEventListener("abort", cancel);
        if (isSound && idle.length < stay) idle.push(ready);
        else ready.worker.terminate();
        if ("none" in outcome && outcome.none === "failed") $jobFailed.set(true);
        resolve(outcome);
      };
      const cancel = () => {
        settle({ none: "cancelled" }, false);
      };
      // The script could not be loaded, or something in it was thrown outside of the job.
      const breakDown = (event: Event) => {
        settle({ none: "failed", why: "message" in event ? String(event.message) : "" }, false);
      };
      ready.worker.addEventListener("error", breakDown);
      signal?.addEventListener("abort", cancel);
      job(ready.jobs).then(
        (answer) => {
          if (!signal?.aborted) settle({ answer }, true);
        },
        (error: unknown) => {
          if (!signal?.aborted) settle({ none: "failed", why: String(error) }, true);
        },
      );
    });
  return {
    ask,
    rest: () => {
      for (const { worker } of idle.splice(0)) worker.terminate();
    },
  };
}

/**
 * Asks one thing at a time. While one is being answered only the newest of those that come meanwhile waits; the others are superseded,
 * since nobody waits for them any more.
 *
 * @example const read = newestWins(ask); await Promise.all([read("C"), read("C G"), read("C G Am")]) // the second is superseded
 */
export function newestWins<A, R>(ask: (asked: A) => Promise<Outcome<R>>): (asked: A) => Promise<Outcome<R>> {
  let isBusy = false;
  let waiting: { readonly settle: (isNext: boolean) => void } | undefined;
  return async (asked) => {
    if (isBusy) {
      waiting?.settle(false);
      const isNext = await new Promise<boolean>((settle) => {
        waiting = { settle };
      });
      if (!isNext) return { none: "superseded" };
    }
    isBusy = true;
    try {
      return await ask(asked);
    } finally {
      isBusy = false;
      const next = waiting;
      waiting = undefined;
      next?.settle(true);
    }
  };
}

/**
 * Asks with a report of how far the job has come. Reports cross by a port of their own, so that the last may come after the answer: it is
 * not passed on.
 *
 * @param onProgress told how far it has come, from 0 to 1
 */
export async function reporting<R>(
  onProgress: (share: number) => void,
  ask: (report: (share: number) => void) => Promise<R>,
): Promise<R> {
  let isUnderWay = true;
  try {
    return await ask((share) => isUnderWay && onProgress(share));
  } finally {
    isUnderWay = false;
  }
}
