import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import type { Tune } from "@/core/tune";
import { type AbcTune, readAbc } from "./abc";
import { decoded } from "./decode";
import { readMidiTune } from "./midi-tune";
import { readMusicXmlTune } from "./musicxml-tune";
import { readNotes } from "./notes";
import { writeAbc } from "./write-abc";
import type { TuneSource } from "./tune-source";
import { unpacked } from "./xml";

/** Music as it is kept and sent: text, and the bytes of a MIDI file as base 64. */
export interface TuneText {
  readonly source: TuneSource;
  readonly text: string;
  /** The file's name without its ending, or what it was called. */
  readonly name: string;
}

/** A tune that was read, and the text that it stood in where it stood in one. */
export interface FileTune {
  readonly tune: Tune;
  readonly written?: AbcTune | undefined;
}

/**
 * Text with an ABC field at the start of a line is ABC; anything else is typed notes. Fields whose letter is a note's name are no sign:
 * `C:2 D:1` is two notes.
 */
export const sourceOfText = (text: string): "abc" | "notes" =>
  /^\s*[XKTMLQV]:/mu.test(text) ? "abc" : "notes";

/** The beginnings of files by their kind. */
const MIDI = "MThd";
const ZIP = "PK";
const RIFF = "RIFF";
/** Where a MIDI file in a RIFF file says so, and where it begins. */
const [RIFF_KIND, RIFF_BODY] = [8, 20];

/**
 * What a file holds, told by how it begins and not by its name: MIDI, MusicXML compressed or not, ABC or typed notes in
 * whatever encoding. Undefined where it is none of them. Never throws.
 *
 * @param name with its ending
 */
export async function openTuneFile(bytes: Uint8Array, name: string): Promise<Reading<TuneText | undefined>> {
  const called = name.replace(/\.[^.]*$/u, "");
  const found = (source: TuneSource, text: string) => ({
    value: { source, text, name: called },
    problems: [],
  });
  const none = (code: Problem["code"]): Reading<undefined> => ({
    value: undefined,
    problems: [wholeProblem(code, name)],
  });
  const lettersAt = (at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));
  const begins = lettersAt(0);
  if (bytes.length === 0) return none("file-empty");
  if (begins === MIDI) return found("midi", base64(bytes));
  if (begins === RIFF)
    return lettersAt(RIFF_KIND) === "RMID"
      ? found("midi", base64(bytes.subarray(RIFF_BODY)))
      : none("kind-of-file");
  if (begins.startsWith(ZIP)) {
    try {
      const text = await unpacked(bytes);
      return text === "" ? none("zip-unread") : found("musicxml", text);
    } catch {
      return none("zip-unread");
    }
  }
  const text = decoded(bytes);
  if (/^\s*<(?:\?xml|!DOCTYPE|score-)/u.test(text.slice(0, 400))) return found("musicxml", text);
  if (isBinary(text)) return none("kind-of-file");
  return found(sourceOfText(text), text);
}

/** Text has hardly any control characters. */
function isBinary(text: string): boolean {
  const start = text.slice(0, 4000);
  // eslint-disable-next-line no-control-regex
  const odd = start.match(/[\u0000-\u0008\u000e-\u001f\ufffd]/gu)?.length ?? 0;
  return odd > start.length / 50;
}

/** Bytes as base 64, in pieces that a call can take. */
function base64(bytes: Uint8Array): string {
  let text = "";
  for (let at = 0; at < bytes.length; at += PIECE)
    text += String.fromCharCode(...bytes.subarray(at, at + PIECE));
  return btoa(text);
}
const PIECE = 8192;

const bytesOf = (text: string) => Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0));

/** Reads music that was opened or typed into tunes. Never throws. */
export async function readTunes({ source, text, name }: TuneText): Promise<Reading<readonly FileTune[]>> {
  switch (source) {
    case "abc": {
      const { value, problems } = await readAbc(text);
      return { value: value.map((written) => ({ tune: written.tune, written })), problems };
    }
    case "notes": {
      const { value, problems } = readNotes(text, name);
      return { value: value.notes.length === 0 ? [] : [{ tune: value }], problems };
    }
    case "musicxml":
    case "midi": {
      const { value, problems } =
        source === "midi" ? await midiIn(text, name) : await readMusicXmlTune(text, name);
      return { value: value ? [{ tune: value }] : [], problems };
    }
  }
}

async function midiIn(text: string, name: string): Promise<Reading<Tune | undefined>> {
  try {
    return await readMidiTune(bytesOf(text), name);
  } catch {
    return { value: undefined, problems: [wholeProblem("midi-unread", "")] };
  }
}

/** The tune as the engraver takes it: its own text where it was ABC, otherwise written anew. */
export const engravingOf = ({ tune, written }: FileTune): AbcTune => written ?? writeAbc(tune);
