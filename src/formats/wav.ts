/**
 * Samples from -1 to 1 of one channel as a WAV file, 16 bits. The library is loaded when it is first needed.
 *
 * @example await writeWav({ samples: new Float32Array(44100), rate: 44100 }) // a second of silence
 */
export async function writeWav({
  samples,
  rate,
}: {
  readonly samples: Float32Array;
  readonly rate: number;
}): Promise<Uint8Array<ArrayBuffer>> {
  const library = await import("wavefile");
  // In Node the whole library stands on the default export, in a bundle each name by itself.
  const { WaveFile } = "WaveFile" in library ? library : (library as { default: typeof library }).default;
  const whole = Int16Array.from(samples, (sample) => Math.round(Math.max(-1, Math.min(1, sample)) * 32_767));
  const file = new WaveFile();
  file.fromScratch(1, rate, "16", whole);
  return new Uint8Array(file.toBuffer());
}
