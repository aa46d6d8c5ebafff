import { identify } from "../../src/core/identify";
import { allNotes, type Tune, type TuneBar, type TuneNote } from "../../src/core/tune";
import { readAbc, readNotes } from "../../src/formats";
import { makeTune } from "./model";
import { makePiece } from "./voices-model";

/** Pieces in four voices one after another, as one of so many notes at least. */
function joinedPieces(least: number): Tune {
  const [notes, beneath, bars]: [TuneNote[], TuneNote[], TuneBar[]] = [[], [], []];
  let start = 0;
  for (let seed = 0; notes.length + beneath.length < least; seed += 5) {
    const { tune } = makePiece(seed);
    const moved = (note: TuneNote): TuneNote => ({
      ...note,
      onset: note.onset + start,
      bar: note.bar + bars.length,
    });
    notes.push(...tune.notes.map(moved));
    beneath.push(...(tune.beneath ?? []).map(moved));
    const number = bars.length;
    bars.push(...tune.bars.map((bar) => ({ ...bar, start: bar.start + start, number: bar.number + number })));
    start = bars.reduce((end, bar) => Math.max(end, bar.start + bar.length), start);
  }
  return { title: "", notes, beneath, bars, meter: { beats: 4, unit: 4 } };
}

/** How long it takes to read the tunes of a book, and to identify them: one after another in one thread, warmed up; in milliseconds. */
export async function timing(book: string): Promise<Readonly<Record<string, readonly number[]>>> {
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
  const voices = joinedPieces(20_000);
  const times = (tune: Tune) =>
    [0, 1, 2, 3, 4].map(() => {
      const from = performance.now();
      identify(tune);
      return performance.now() - from;
    });
  return {
    "A tune of ABC read": reading,
    "A tune of ABC identified": identifying,
    [`A tune of ${long.notes.length} notes identified`]: times(long),
    [`A piece of ${allNotes(voices).length} notes in four voices identified`]: times(voices),
  };
}
