import type { Tune } from "@/core/tune";
import { writeAbc } from "./write-abc";

/** Fields of a head that say nothing of the notes (composer, origin, rhythm, tempo, notes and the like), and comments. */
const BESIDE = /^(?:[ABCDFGHNOQRSZ]:|%(?!%))/u;

/** Such lines that are taken over at most. */
const MAX_LINES = 60;

/** Whether a part of a text has notes after its key. */
function hasNotes(part: string): boolean {
  const lines = part.split(/\r?\n/u);
  const key = lines.findIndex((line) => line.startsWith("K:"));
  return (
    key >= 0 && lines.slice(key + 1).some((line) => !/^(?:[A-Za-z]:|%)/u.test(line) && /[A-Ga-g]/u.test(line))
  );
}

/**
 * ABC with its first tune written anew: what its head says beside the notes stays, and so do the other tunes of the text. Comments,
 * slurs and grace notes between the notes go, since a tune doesn't have them.
 *
 * @example rewriteAbc("X:1\nT:Gate\nC:Somebody\nK:D\nDEF|", changed) // X:1, T:Gate, C:Somebody, M:…
 */
export function rewriteAbc(before: string, tune: Tune): string {
  const parts = before.split(/^(?=X:)/mu);
  const at = Math.max(0, parts.findIndex(hasNotes));
  const head = (parts[at] ?? "").split(/^K:.*$/mu, 1)[0] ?? "";
  const beside = head
    .split(/\r?\n/u)
    .filter((line) => BESIDE.test(line))
    .slice(0, MAX_LINES)
    .map((line) => `${line}\n`)
    .join("");
  const rest = parts.slice(at + 1).join("");
  const { text } = writeAbc(tune);
  const titled = text.replace(/^T:.*\n/mu, (title) => title + beside);
  return `${parts.slice(0, at).join("")}${titled}${rest === "" ? "" : `\n${rest}`}`;
}
