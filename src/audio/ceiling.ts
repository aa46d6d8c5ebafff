/** No sample is louder than this: −2 dB, which leaves room for what lies between samples. */
const CEILING = 0.794;

/** Up to here sound passes as it is. */
const KNEE = 0.56;

/** How loud what comes in may be before the curve is flat. */
export const CEILING_REACH = 4;

/**
 * The curve that keeps what is played together below full scale: straight up to the knee, then bending ever more towards the ceiling, which
 * it reaches at `CEILING_REACH`. The same for the loudspeaker and for files.
 *
 * @example underCeiling(0.4) // 0.4
 * @example underCeiling(3) // 0.79
 */
export function underCeiling(sample: number): number {
  const size = Math.abs(sample);
  if (size <= KNEE) return sample;
  const room = CEILING - KNEE;
  return Math.sign(sample) * (KNEE + room * Math.tanh((size - KNEE) / room));
}

/** Points of the curve for a node that shapes waves, from −`CEILING_REACH` to that. */
export const ceilingCurve = (points = 8193): Float32Array<ArrayBuffer> =>
  Float32Array.from({ length: points }, (_, at) =>
    underCeiling(((2 * at) / (points - 1) - 1) * CEILING_REACH),
  );

/** What brings the parts to their loudness together, before the volume. */
export const TOGETHER = 2;
