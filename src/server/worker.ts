import { parentPort } from "node:worker_threads";
import { type Tasks, TASKS } from "./jobs";
import type { Began, Numbered } from "./pool";

/** A task as the pool calls it: it says that it begins, then works. */
const asMessage =
  <K extends keyof Tasks>(name: K) =>
  ({ number, task }: Numbered<Parameters<Tasks[K]>[0]>) => {
    parentPort?.postMessage({ began: number } satisfies Began);
    return (TASKS[name] as (task: Parameters<Tasks[K]>[0]) => ReturnType<Tasks[K]>)(task);
  };

export const answer = asMessage("answer");
export const identifyPart = asMessage("identifyPart");
