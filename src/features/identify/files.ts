import { type Problem, wholeProblem } from "@/core/problem";
import { abcHeader, type AbcPart, abcParts, decoded, withAbcHeader, type TuneText } from "@/formats";
import { openTune } from "@/session";

/** A score past this is not opened: no single one is longer. Books of ABC may be of any length. */
const MAX_SCORE_BYTES = 16_000_000;
const MAX_SCORE_TEXT = "16 MB for a score, any length for ABC";

/** Bytes that tell what a file is. */
const HEAD = 2048;

const RECORDING_ENDINGS = ["wav", "mp3", "ogg", "oga", "opus", "m4a", "aac", "flac", "webm"];

/** What recordings are offered by in the file chooser: the browser's own decoder says what it can read. */
export const RECORDING_FILES = `audio/*,${RECORDING_ENDINGS.map((ending) => `.${ending}`).join(",")}`;

/** What files of tunes, recordings among them, are offered by in the file chooser. */
export const TUNE_FILES = `.abc,.txt,.musicxml,.xml,.mxl,.mid,.midi,.kar,text/vnd.abc,text/plain,audio/midi,application/vnd.recordare.musicxml,${RECORDING_FILES}`;

/** Whether a file is a recording: by its type, MIDI apart, or its ending. */
export const isRecording = ({ type, name }: Pick<File, "type" | "name">): boolean =>
  (type.startsWith("audio/") && !/midi?$/u.test(type)) ||
  RECORDING_ENDINGS.includes(name.split(".").at(-1)?.toLowerCase() ?? "");

/** A text out of a file, and where its bytes stand in it. */
export interface TextInFile {
  readonly text: TuneText;
  readonly from: number;
  readonly to: number;
}

/** A file that holds no tune. */
export const noTune = (name: string): Problem => wholeProblem("no-tune", name);

/** The chunks of a file as they are read. */
async function* chunksOf(file: Blob): AsyncGenerator<Uint8Array> {
  const reader = file.stream().getReader();
  for (let next = await reader.read(); !next.done; next = await reader.read()) yield next.value;
}

const NUMBERED = /^X:/mu;

/** Whether the head of a file is text of ABC with numbers, which can be parted while it is read. */
function isBook(head: Uint8Array): boolean {
  const isWide = (head[0] === 0xff && head[1] === 0xfe) || (head[0] === 0xfe && head[1] === 0xff);
  const text = decoded(head);
  return !isWide && !text.startsWith("PK") && !/^\s*</u.test(text) && NUMBERED.test(text);
}

/**
 * Every text of a file in order: each tune of an ABC book by itself while it is read, anything else whole. What cannot be read is
 * answered as a problem. Never throws.
 */
export async function* textsIn(file: File): AsyncGenerator<TextInFile | Problem> {
  try {
    yield* textsRead(file);
  } catch {
    yield wholeProblem("file-unreadable", file.name);
  }
}

/** What a file holds where it is one thing; "several" where it is a book of more than one tune. */
export async function onlyTextIn(file: File): Promise<TuneText | Problem | "several"> {
  let only: TextInFile | Problem | undefined;
  for await (const found of textsIn(file)) {
    if ("text" in found && only) return "several";
    only ??= found;
  }
  if (!only) return noTune(file.name);
  return "text" in only ? only.text : only;
}

async function* textsRead(file: File): AsyncGenerator<TextInFile | Problem> {
  const name = file.name.replace(/\.[^.]*$/u, "");
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  if (isBook(head)) {
    for await (const part of abcParts(chunksOf(file))) {
      yield bookText(part, name);
      if (part.isCut) yield wholeProblem("tune-cut", file.name, String(part.to - part.from));
    }
    return;
  }
  if (file.size > MAX_SCORE_BYTES) {
    yield wholeProblem("file-too-large", file.name, MAX_SCORE_TEXT);
    return;
  }
  const { value, problems } = await openTune(file);
  yield value
    ? { text: value, from: 0, to: file.size }
    : (problems[0] ?? wholeProblem("kind-of-file", file.name));
}

const bookText = ({ text, from, to, header }: AbcPart, name: string): TextInFile => ({
  text: { source: "abc", text: withAbcHeader(text, header).text, name },
  from,
  to,
});

/** A tune of a book with the fields that the book has for all its tunes. */
async function withHeaderOf(file: File, tune: TuneText): Promise<TuneText> {
  if (tune.source !== "abc") return tune;
  const head = new Uint8Array(await file.slice(0, HEAD).arrayBuffer());
  return { ...tune, text: withAbcHeader(tune.text, abcHeader(decoded(head))).text };
}

/** One text of a file again, from where it stood. */
export async function textAt(file: File, from: number, to: number): Promise<TuneText | undefined> {
  for await (const found of textsIn(
    from === 0 && to === file.size ? file : new File([file.slice(from, to)], file.name),
  ))
    if ("text" in found) return from === 0 ? found.text : withHeaderOf(file, found.text);
  return undefined;
}
