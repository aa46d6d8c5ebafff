import { voicings } from "@/core/instrument";
import type { VoicingJobs } from "./messages";

/** Voicings shown of a chord at most; past these nobody steps. */
const MOST = 400;

/** The search for voicings, with its progress told. */
export const voicingJobs: VoicingJobs = {
  find: ({ tuning, ...asked }, onProgress) =>
    voicings(tuning, { ...asked, most: MOST }, (share) => {
      onProgress?.(share);
      return true;
    }),
};
