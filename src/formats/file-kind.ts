import { readSymbol } from "@/core/chord";
import { decoded } from "./decode";
import { sourceOfText } from "./tune-file";

/** What a file holds. */
export const FILE_KINDS = [
  "abc",
  "notes",
  "midi",
  "musicxml",
  "chordpro",
  "chart",
  "scala",
  "recording",
  "backup",
  "exam",
  "exam-result",
  "log",
  "unknown",
] as const;
export type FileKind = (typeof FILE_KINDS)[number];

/** Bytes that tell what a file is. */
export const HEAD_BYTES = 4096;

const letters = (bytes: Uint8Array, at: number) => String.fromCharCode(...bytes.subarray(at, at + 4));

/** How sound files begin: WAV, Ogg, FLAC, MP3 with and without its tag, WebM. */
function isSound(head: Uint8Array): boolean {
  const begins = letters(head, 0);
  if (begins === "RIFF") return letters(head, 8) === "WAVE";
  if (["OggS", "fLaC", "\u001aE\u00df\u00a3"].includes(begins) || begins.startsWith("ID3")) return true;
  return (
    letters(head, 4) === "ftyp" || (head[0] === 0xff && ((head[1] ?? 0) & 0xe0) === 0xe0 && head[1] !== 0xfe)
  );
}

/** A note as it is typed, with its octave and perhaps its length, or a rest. */
const NOTE = /^(?:[A-G](?:#|b|♯|♭)*\d|z)(?::[\d./]+)?$/u;

/** Words of a text that could be chords, bar lines and repeats apart. */
const chordWords = (text: string) =>
  text
    .replaceAll(/\[[^\]\n]*\]|\{[^}\n]*\}|#.*$|\d\/\d/gmu, " ")
    .split(/[\s|:.]+/u)
    .filter((word) => /[\p{L}\d]/u.test(word));

/**
 * What a file holds, by how it begins; its name decides only where nothing else does. Never throws.
 *
 * @example fileKind(bytes, "x.bin") // "midi" where it begins with MThd
 */
export function fileKind(head: Uint8Array, name: string): FileKind {
  const begins = letters(head, 0);
  if (begins === "MThd" || (begins === "RIFF" && letters(head, 8) === "RMID")) return "midi";
  if (begins.startsWith("PK")) return "musicxml";
  if (isSound(head)) return "recording";
  const text = decoded(head).replace(/^\uFEFF/u, "");
  if (/^\s*<(?:\?xml|!DOCTYPE|score-)/u.test(text)) return "musicxml";
  if (/^\s*\{\s*"format":\s*"shade-backup"/u.test(text)) return "backup";
  if (/^\s*\{\s*"format":\s*"shade-exam"/u.test(text)) return "exam";
  if (/^"?exam"?[,;\t]"?started\b/iu.test(text)) return "exam-result";
  if (/^"?day"?[,;\t]"?time"?[,;\t]"?kind\b/iu.test(text)) return "log";
  if (/^\s*\{\s*(?:title|t|subtitle|artist|key|start_of_\w+|so[cvbt]|comment|c|ci)\s*[:}]/imu.test(text))
    return "chordpro";
  if (/^X:\s*\d/mu.test(text) || /^K:/mu.test(text)) return "abc";
  if (/\.scl$/iu.test(name) || /^!.*\.scl\s*$/imu.test(text)) return "scala";
  if (/\.(?:cho|crd|chopro|chordpro|pro)$/iu.test(name)) return "chordpro";
  if (text.includes("\u0000")) return "unknown";
  const words = chordWords(text);
  const chords = words.filter((word) => /^[A-H]/u.test(word) && "chord" in readSymbol(word)).length;
  const inline = (text.match(/\[([A-H][^\]\s]{0,12})\]/gu) ?? []).length;
  if (inline >= 2 && chords < words.length / 2) return "chordpro";
  // A note name with its octave, "A4", is no chord that anybody writes.
  const typed = text.split(/[\s|]+/u).filter((word) => word !== "");
  const notes = typed.filter((word) => NOTE.test(word)).length;
  if (notes > typed.length / 2) return "notes";
  if (words.length > 0 && chords > words.length / 2) return "chart";
  return text.trim() === "" || /\.(?:txt|abc)$/iu.test(name) ? sourceOfText(text) : "unknown";
}
