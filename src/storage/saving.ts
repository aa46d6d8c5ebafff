import { atom, type ReadableAtom } from "nanostores";

/** What has yet to be written. */
interface SavingState {
  /** Keys that storage hasn't answered for. */
  readonly waiting: ReadonlySet<string>;
  /** Those of them that storage refused, or let wait too long; they are tried again. */
  readonly failing: ReadonlySet<string>;
}

/** Saves records one behind another. What fails stays and is tried again until it is through. */
export interface Saving {
  readonly $state: ReadableAtom<SavingState>;
  /**
   * Saves what lies under a key. The act writes what is there when its turn comes, so that many changes make one write; it may
   * be done again. Resolves once storage has said that it is written, however long that takes.
   */
  save: (key: string, act: () => Promise<void>) => Promise<void>;
  /** Tries what failed again, now. */
  retry: () => void;
}

export interface SavingSurroundings {
  /** Milliseconds that storage may take to answer before it counts as failing. */
  readonly patience?: number;
  /** Milliseconds until the first new try; each later one waits twice as long, up to `longest`. */
  readonly pause?: number;
  readonly longest?: number;
  /** Holds a name for as long as an act lasts, in this tab and all others. */
  readonly hold?: (key: string, act: () => Promise<void>) => Promise<void>;
}

interface Job {
  act: () => Promise<void>;
  /** How often it was asked for: what is asked for while it is being done is done once more. */
  asked: number;
  readonly done: (() => void)[];
}

/** Opens a queue of saves. */
export function openSaving({
  patience = 8000,
  pause = 1000,
  longest = 30_000,
  hold = (_, act) => act(),
}: SavingSurroundings = {}): Saving {
  const jobs = new Map<string, Job>();
  const failing = new Set<string>();
  const $state = atom<SavingState>({ waiting: new Set(), failing: new Set() });
  /** Acts that have begun, by key, until they end: also those that were given up because they took too long. */
  const underWay = new Map<string, Promise<void>>();
  let isRunning = false;
  let wait = pause;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tell = () => $state.set({ waiting: new Set(jobs.keys()), failing: new Set(failing) });

  /** Begins an act, and knows it until it ends. */
  const begin = (key: string, act: () => Promise<void>): Promise<void> => {
    const mine = hold(key, act);
    const over = mine
      .catch(() => undefined)
      .then(() => {
        underWay.delete(key);
      });
    underWay.set(key, over);
    return mine;
  };

  const run = async () => {
    if (isRunning) return;
    isRunning = true;
    const tried = new Set<string>();
    for (;;) {
      const next = [...jobs].find(([key]) => !tried.has(key));
      if (!next) break;
      const [key, job] = next;
      const { act, asked } = job;
      tried.add(key);
      // What took too long may still end: it must not write over what is newer.
      const before = underWay.get(key);
      const isFree = !before || (await within(patience, before));
      const isThrough = isFree && (await within(patience, begin(key, act)));
      if (!isThrough) {
        failing.add(key);
      } else if (job.asked === asked) {
        jobs.delete(key);
        failing.delete(key);
        for (const done of job.done) done();
      } else {
        // It changed while it was being written.
        failing.delete(key);
        tried.delete(key);
      }
      tell();
    }
    isRunning = false;
    if (failing.size === 0) wait = pause;
    else {
      clearTimeout(timer);
      timer = setTimeout(() => void run(), wait);
      wait = Math.min(longest, wait * 2);
    }
  };

  return {
    $state,
    save: (key, act) =>
      new Promise((resolve) => {
        const job = jobs.get(key);
        if (job) {
          job.act = act;
          job.asked += 1;
          job.done.push(resolve);
        } else jobs.set(key, { act, asked: 1, done: [resolve] });
        tell();
        void run();
      }),
    retry: () => {
      wait = pause;
      void run();
    },
  };
}

/** Whether a promise is kept within so many milliseconds. */
function within(milliseconds: number, promised: Promise<void>): Promise<boolean> {
  return new Promise((resolve) => {
    const timer = setTimeout(() => resolve(false), milliseconds);
    const end = (isKept: boolean) => {
      clearTimeout(timer);
      resolve(isKept);
    };
    promised.then(
      () => end(true),
      () => end(false),
    );
  });
}
