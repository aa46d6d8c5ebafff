import { readChart } from "@/core/chord";
import { identify } from "@/core/identify";
import {
  decoded,
  fileKind,
  openTuneFile,
  readAbc,
  readChordPro,
  readCsv,
  readMidiChords,
  readMusicXml,
  readNotes,
  readPlainChart,
  readScala,
  readTunes,
} from "@/formats";
import { readResult } from "@/features/ear/result";
import { readLog } from "@/features/log/log-file";
import { readBackup } from "@/storage";
import type { Kind } from "./hostile";

/** Everything that files are read as. */
export type FuzzKind = Kind | "backup" | "log" | "result";

/** What a reading came to: enough to see that there was one. */
export interface Read {
  readonly problems: number;
  readonly things: number;
}

async function tunes(bytes: Uint8Array, name: string): Promise<Read> {
  const opened = await openTuneFile(bytes, name);
  if (!opened.value) return { problems: opened.problems.length, things: 0 };
  const { value, problems } = await readTunes(opened.value);
  return { problems: problems.length, things: value.length };
}

/** A chart as it is opened: the text that comes out of the file is read as chords. */
function chart({ value, problems }: ReturnType<typeof readChordPro>): Read {
  const read = readChart(value.text);
  return { problems: problems.length + read.problems.length, things: read.value.chords.length };
}

/** A reader of text that answers at once. */
const atOnce =
  (read: (text: string) => Read) =>
  (bytes: Uint8Array): Promise<Read> =>
    Promise.resolve(read(decoded(bytes)));

/** Every reader of files by what it reads, the way the application reads them. */
export const READERS: Readonly<Record<FuzzKind, (bytes: Uint8Array) => Promise<Read>>> = {
  abc: async (bytes) => {
    const { value, problems } = await readAbc(decoded(bytes));
    return { problems: problems.length, things: value.length };
  },
  musicxml: async (bytes) => {
    const { problems } = await readMusicXml(bytes);
    const read = await tunes(bytes, "x.musicxml");
    return { ...read, problems: read.problems + problems.length };
  },
  mxl: (bytes) => tunes(bytes, "x.mxl"),
  midi: async (bytes) => {
    const { problems } = await readMidiChords(bytes);
    const read = await tunes(bytes, "x.mid");
    return { ...read, problems: read.problems + problems.length };
  },
  notes: atOnce((text) => {
    const { value, problems } = readNotes(text);
    return { problems: problems.length, things: value.notes.length };
  }),
  chart: atOnce((text) => chart(readPlainChart(text))),
  chordpro: atOnce((text) => chart(readChordPro(text))),
  scala: atOnce((text) => {
    const { value, problems } = readScala(text);
    return { problems: problems.length, things: value ? 1 : 0 };
  }),
  csv: atOnce((text) => ({ problems: 0, things: readCsv(text).length })),
  backup: atOnce((text) => {
    const { value, problems } = readBackup(text);
    return { problems: problems.length, things: value?.shelf.length ?? 0 };
  }),
  log: async (bytes) => {
    const { value, unread } = await readLog(readCsv(decoded(bytes)), [], new Date(0));
    return { problems: unread, things: value.length };
  },
  result: atOnce((text) => ({ problems: 0, things: readResult(readCsv(text))?.rows.length ?? 0 })),
};

/** What a file is taken for, and the mode of what is in it: the whole way of a file that is dropped on the page. */
export async function dropped(bytes: Uint8Array): Promise<Read> {
  fileKind(bytes.subarray(0, 4096), "x");
  const opened = await openTuneFile(bytes, "x");
  if (!opened.value) return { problems: opened.problems.length, things: 0 };
  const { value, problems } = await readTunes(opened.value);
  for (const { tune } of value.slice(0, 3)) identify(tune, {});
  return { problems: problems.length, things: value.length };
}
