import { maybeFifths, nearestOctave, type Pitch } from "@/core/pitch";
import { type Problem, type Reading, wholeProblem } from "@/core/problem";
import { barLength, type FoundBar, type Meter, numberBars, type Tune, type TuneNote } from "@/core/tune";

/** Notes past this are not read, and a problem says so. */
export const MAX_NOTES = 100_000;

/** The longest note and the longest rest that are written, in quarters: more is damage, and would last for hours. */
export const MAX_LENGTH = 64;
export const MAX_REST = 4096;

/** More accidentals than these no note has. */
const NOTE = /^([A-Ga-g][#♯b♭x𝄪𝄫♮]{0,4})(-?\d)?(?::(.{1,20}))?$/u;
const REST = /^[zr](?::(.+))?$/iu;

/** Characters of what couldn’t be read that are told. */
const MAX_FOUND = 80;

/** Text is no music where at least this many of its words, and more than half, are no notes. */
const FEWEST_UNREAD = 6;

/**
 * Reads typed notes: `A4:1 B4:0.5 | C#5:2 z:1 || …`, pitch and length in quarters. A note without an octave is the one
 * nearest to the note before; without a length it is a quarter, or as long as the note before. `z` is a rest, `|` a bar
 * line, `||` the end of a section. Text that is mostly something else is refused as a whole. Never throws.
 *
 * @example readNotes("A4 B C# D").value.notes.length // 4
 */
export function readNotes(text: string, title = ""): Reading<Tune> {
  const problems: Problem[] = [];
  const notes: TuneNote[] = [];
  const bars: Omit<FoundBar, "whole">[] = [];
  let time = 0;
  let barStart = 0;
  let length = 1;
  let before: Pitch = { name: 0, octave: 4 };

  const closeBar = (endsSection: boolean) => {
    const last = bars.at(-1);
    if (time > barStart) bars.push({ start: barStart, length: time - barStart, endsSection });
    else if (last && endsSection) bars[bars.length - 1] = { ...last, endsSection };
    barStart = time;
  };
  const readLength = (written: string | undefined, offset: number) => {
    if (written === undefined) return;
    const value = quarters(written);
    if (value === undefined)
      problems.push({ code: "length-unread", offset, length: written.length, found: written });
    else length = value;
  };

  for (const found of text.matchAll(/\|+\]?|[^\s|,;]+/gu)) {
    const token = found[0];
    const offset = found.index;
    if (token.startsWith("|")) {
      closeBar(token.length > 1);
      continue;
    }
    if (notes.length >= MAX_NOTES) {
      problems.push({ code: "too-long", offset, length: 1, found: String(MAX_NOTES) });
      break;
    }
    const rest = REST.exec(token);
    const note = rest ? undefined : NOTE.exec(token);
    const name = note ? maybeFifths(note[1] ?? "") : undefined;
    if (rest) {
      readLength(rest[1], offset + 2);
      time += length;
    } else if (note && name !== undefined) {
      readLength(note[3], offset + token.indexOf(":") + 1);
      const pitch = note[2] === undefined ? nearestOctave(name, before) : { name, octave: Number(note[2]) };
      notes.push({
        pitch,
        onset: time,
        duration: length,
        bar: bars.length,
        from: offset,
        to: offset + token.length,
      });
      before = pitch;
      time += length;
    } else {
      problems.push({ code: "note-unread", offset, length: token.length, found: token.slice(0, MAX_FOUND) });
    }
  }
  closeBar(true);
  const unread = problems.filter(({ code }) => code === "note-unread");
  if (unread.length >= FEWEST_UNREAD && unread.length > notes.length) {
    const [first] = unread;
    return {
      value: { title, notes: [], bars: [], meter: { beats: 4, unit: 4 } },
      problems: [{ code: "not-music", offset: first?.offset ?? 0, length: 1, found: first?.found ?? "" }],
    };
  }
  if (notes.length === 0 && problems.length === 0) {
    problems.push(wholeProblem("no-notes", text.slice(0, 40)));
  }
  const meter = meterOf(bars.map((bar) => bar.length));
  return {
    value: {
      title,
      notes,
      bars: numberBars(bars.map((bar) => ({ ...bar, whole: barLength(meter) }))),
      meter,
    },
    problems,
  };
}

/** "1", "0.5", "1/2", "3/8": a length above 0 and up to 64 quarters. */
function quarters(text: string): number | undefined {
  const found = /^(\d+(?:\.\d+)?)(?:\/(\d+))?$/.exec(text);
  const value = found ? Number(found[1]) / Number(found[2] ?? 1) : NaN;
  return value > 0 && value <= MAX_LENGTH ? value : undefined;
}

/** The meter that most bars fill: in quarters where they come out whole, in eighths where they do not. */
function meterOf(lengths: readonly number[]): Meter {
  const counts = new Map<number, number>();
  for (const each of lengths) counts.set(each, (counts.get(each) ?? 0) + 1);
  const [length = 4] = [...counts].sort((a, b) => b[1] - a[1])[0] ?? [];
  if (lengths.length < 2) return { beats: 4, unit: 4 };
  if (Number.isInteger(length)) return { beats: length, unit: 4 };
  return Number.isInteger(length * 2) ? { beats: length * 2, unit: 8 } : { beats: 4, unit: 4 };
}
