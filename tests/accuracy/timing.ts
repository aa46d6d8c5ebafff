import { identify } from "../../src/core/identify";
import { readAbc, readNotes } from "../../src/formats";
import { makeTune } from "./model";

const median = (values: readonly number[]) =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN;

/** How long it takes to read the tunes of a book, and to identify them: one after another in one thread, warmed up. */
export async function timing(book: string): Promise<readonly string[]> {
  const texts = book.split(/^(?=X:)/mu).filter((text) => text.trim() !== "");
  const reading: number[] = [];
  const identifying: number[] = [];
  for (const round of [0, 1, 2])
    for (const text of texts) {
      const started = performance.now();
      const { value } = await readAbc(text);
      const read = performance.now();
      for (const { tune } of value) identify(tune);
      const done = performance.now();
      if (round === 0) continue;
      reading.push(read - started);
      identifying.push(done - read);
    }
  const long = readNotes(Array.from({ length: 1500 }, (_, at) => makeTune(at).notes).join(" ")).value;
  const started = performance.now();
  identify(long);
  const whole = performance.now() - started;
  return [
    `A tune of ABC: read in ${median(reading).toFixed(2)} ms, identified in ${median(identifying).toFixed(2)} ms (medians of ${reading.length})`,
    `A tune of ${long.notes.length} notes identified in ${whole.toFixed(0)} ms`,
  ];
}
