import { printPitch } from "@/core/pitch";
import type { Tune } from "@/core/tune";

/** A length in quarters as it is typed: whole, with a point, or as a fraction where thirds are in it. */
function lengthText(quarters: number): string {
  for (const under of [1, 2, 4, 3, 6, 12, 24]) {
    const over = quarters * under;
    if (Math.abs(over - Math.round(over)) > 1e-6) continue;
    return under === 1 || under === 2 || under === 4 ? String(quarters) : `${Math.round(over)}/${under}`;
  }
  return quarters.toFixed(3);
}

/**
 * The melody of a tune as typed notes, what `readNotes` reads back: a length where it differs from the one before, `z` for
 * rests. Of notes struck together the highest is written.
 *
 * @example writeNotes(tune) // "A4:1 B4:0.5 C#5 | D5:2 ||"
 */
export function writeNotes({ notes, bars }: Tune): string {
  let time = 0;
  let length = "";
  let text = "";
  const put = (name: string, quarters: number) => {
    const next = lengthText(quarters);
    text += `${name}${next === length ? "" : `:${next}`} `;
    length = next;
  };
  const top = notes.filter(
    (note, at) => notes[at + 1] === undefined || (notes[at + 1]?.onset ?? 0) > note.onset + 1e-6,
  );
  let bar = 0;
  const closeBars = (until: number) => {
    while (bar < until) {
      const { start, length: whole, endsSection } = bars[bar] as Tune["bars"][number];
      if (start + whole > time + 1e-6) put("z", start + whole - time);
      time = Math.max(time, start + whole);
      text += endsSection ? "|| " : "| ";
      bar += 1;
    }
  };
  for (const [at, note] of top.entries()) {
    closeBars(note.bar);
    if (note.onset > time + 1e-6) put("z", note.onset - time);
    const until = Math.min(note.onset + note.duration, top[at + 1]?.onset ?? Infinity);
    put(printPitch(note.pitch), until - note.onset);
    time = until;
  }
  return `${text.trimEnd()}${text === "" ? "" : " ||"}`;
}
