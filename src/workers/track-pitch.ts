import type { PitchFrame } from "@/core/tune";
import type { PitchJobs } from "./messages";

/** Seconds from frame to frame. */
const HOP = 0.01;
/** A window holds two turns of the lowest note that is listened for, in seconds. */
const WINDOW = 0.046;

/** The pitch of a recording of one voice, a frame every hundredth of a second. The library is loaded when first needed. */
export const pitchJobs: PitchJobs = {
  track: async ({ samples, rate }, onProgress) => {
    const { PitchDetector } = await import("pitchy");
    const length = 2 ** Math.round(Math.log2(WINDOW * rate));
    const detector = PitchDetector.forFloat32Array(length);
    const hop = Math.max(1, Math.round(HOP * rate));
    const count = Math.max(0, Math.floor((samples.length - length) / hop) + 1);
    const frames: PitchFrame[] = [];
    for (let at = 0; at < count; at += 1) {
      const window = samples.subarray(at * hop, at * hop + length);
      const [hertz, clarity] = detector.findPitch(window, rate);
      let power = 0;
      for (const sample of window) power += sample * sample;
      frames.push({ time: (at * hop) / rate, hertz, clarity, level: Math.sqrt(power / length) });
      if (at % 100 === 99) onProgress?.(at / count);
    }
    return frames;
  },
};
