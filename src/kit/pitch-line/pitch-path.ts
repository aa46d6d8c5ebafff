import { heightOf, type PitchFrame, soundingFrames } from "@/core/tune";

/** Units of a drawing of pitch over time: a second across, a half step up. */
export const [SECOND, STEP] = [90, 7];

/** A gap in the line longer than this parts it, in seconds. */
const BREAK = 0.04;

/**
 * The line of what sounds a pitch, parted where it is silent, as the path of a drawing.
 *
 * @param high the half step, as MIDI counts them, that stands at the top
 * @param off half steps that all of it lies off, taken off
 */
export const pitchPath = (frames: readonly PitchFrame[], high: number, off: number): string =>
  soundingFrames(frames)
    .map(({ time, hertz }, at, all) => {
      const isNew = time - (all[at - 1]?.time ?? -1) > BREAK;
      const y = (high - heightOf(hertz) + off + 0.5) * STEP;
      return `${isNew ? "M" : "L"}${(time * SECOND).toFixed(1)} ${y.toFixed(1)}`;
    })
    .join("");
