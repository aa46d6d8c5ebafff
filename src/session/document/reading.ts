import { atom } from "nanostores";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import type { FileChart, FileTune, TuneText } from "@/formats";
import {
  type FileAnswer,
  type FileJobs,
  openTuneAway,
  type Outcome,
  readChartAway,
  readFileAway,
  readTunesAway,
} from "@/workers";

/** A file that is being read, and how to stop that. */
interface UnderWay {
  readonly name: string;
  readonly cancel: () => void;
}

/** What is being read for longer than a moment. */
export const $reading = atom<UnderWay | undefined>();

/** Text of so many letters is read in less than a frame. */
const SHORT = 12_000;
/** A reading that takes longer is told, and one that takes much longer is stopped. In milliseconds. */
const [A_MOMENT, TOO_LONG] = [400, 60_000];

/** Reads in a worker: what came of it, or why it was stopped. Undefined where no worker can be had. */
async function away<R>(
  name: string,
  job: (signal: AbortSignal) => Promise<Outcome<R>>,
): Promise<{ readonly answer: R } | { readonly stopped: Problem } | undefined> {
  const stopping = new AbortController();
  const underWay: UnderWay = { name, cancel: () => stopping.abort("reading-stopped") };
  const telling = setTimeout(() => $reading.set(underWay), A_MOMENT);
  const limit = setTimeout(() => stopping.abort("reading-too-long"), TOO_LONG);
  const outcome = await job(stopping.signal);
  clearTimeout(telling);
  clearTimeout(limit);
  if ($reading.get() === underWay) $reading.set(undefined);
  if ("answer" in outcome) return { answer: outcome.answer };
  if (outcome.none === "failed") return undefined;
  const code = stopping.signal.reason as "reading-stopped" | "reading-too-long";
  return { stopped: wholeProblem(code, name) };
}

/** The same of music: what was stopped has come to nothing, and says why. */
async function musicAway<R>(
  name: string,
  none: R,
  job: (signal: AbortSignal) => Promise<Outcome<Reading<R>>>,
): Promise<Reading<R> | undefined> {
  const went = await away(name, job);
  return went && ("answer" in went ? went.answer : { value: none, problems: [went.stopped] });
}

/** The last that was read: whoever asks for the same text again gets the same tunes. */
let last: { readonly text: TuneText; readonly tunes: Promise<Reading<readonly FileTune[]>> } | undefined;

/** Reads music into tunes: a short text at once, a longer one in a worker, with a limit and a way to stop it. Never throws. */
export function readMusic(text: TuneText): Promise<Reading<readonly FileTune[]>> {
  const isSame =
    last?.text.text === text.text && last.text.source === text.source && last.text.name === text.name;
  if (last && isSame) return last.tunes;
  const tunes = readAnew(text);
  last = { text, tunes };
  // What was stopped is read when it is asked for again.
  void tunes.then(({ value }) => {
    if (value.length === 0 && last?.tunes === tunes) last = undefined;
  });
  return tunes;
}

async function readAnew({ source, text, name }: TuneText) {
  const asked = { source, text, name };
  const read =
    text.length > SHORT ? await musicAway(name, [], (signal) => readTunesAway(asked, signal)) : undefined;
  return read ?? (await import("@/formats")).readTunes(asked);
}

/** Opens a file of tunes by what it holds: a small one may unpack to much, so each goes to a worker. Never throws on what is in it. */
export async function openTune(file: File): Promise<Reading<TuneText | undefined>> {
  const bytes = async () => new Uint8Array(await file.arrayBuffer());
  const content = await bytes();
  const opened = await musicAway(file.name, undefined, (signal) => openTuneAway(content, file.name, signal));
  return opened ?? (await import("@/formats")).openTuneFile(await bytes(), file.name);
}

/** Reads the chords of a file. Never throws on what is in it. */
export async function openChart(file: File): Promise<Reading<FileChart>> {
  const bytes = async () => new Uint8Array(await file.arrayBuffer());
  const content = await bytes();
  const none: FileChart = { title: "", text: "" };
  const opened = await musicAway(file.name, none, (signal) => readChartAway(content, file.name, signal));
  return opened ?? (await import("@/formats")).readChartFile(await bytes(), file.name);
}

/**
 * Reads a file of anything but music by its kind: a backup, a table, a Scala scale, or JSON. What is stopped, or can't be read at all,
 * says why. Never throws.
 */
export async function openFileAs<K extends keyof FileJobs>(
  kind: K,
  file: File,
): Promise<{ readonly answer: FileAnswer<K> } | { readonly stopped: Problem }> {
  const went = await away(file.name, (signal) => readFileAway(kind, file, signal));
  if (went) return went;
  try {
    const { fileJobs } = await import("@/workers/read-files");
    return { answer: (await fileJobs[kind](file)) as FileAnswer<K> };
  } catch {
    return { stopped: wholeProblem("file-unreadable", file.name) };
  }
}
