import { type Remote, wrap } from "comlink";
import type { AskedOf, ModeJobs, ReckonedAnswer } from "./messages";

export type { AskedOf, ReckonedAnswer, ReckonedMode } from "./messages";

let jobs: Remote<ModeJobs> | undefined;

/** Asks all modes, off the main thread. The worker starts with the first question and stays. */
export async function askAllModes(question: AskedOf): Promise<ReckonedAnswer> {
  jobs ??= wrap<ModeJobs>(new Worker(new URL("./modes.worker.ts", import.meta.url), { type: "module" }));
  return jobs.ask(question);
}
