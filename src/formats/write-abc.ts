import { accidentalsOf, letterOf, type Pitch } from "@/core/pitch";
import { barLength, feltBeat, type Tune, type TuneNote } from "@/core/tune";
import type { AbcTune } from "./abc";

/** Lengths are written as fractions of an eighth with this denominator at most: enough for triplets of sixteenths. */
const FINEST = 48;

/** The clef, and octaves that the notes are written above their sound. */
interface WrittenAs {
  readonly clef?: "treble" | "bass" | "treble-8" | "bass-8" | undefined;
  readonly octavesUp?: number;
  /** Every bar on one line, however long it grows. */
  readonly onOneLine?: boolean;
}

/**
 * Writes a tune as ABC, every accidental by the bar and no key signature, and says where each note stands in the text.
 *
 * @example writeAbc(tune).text // "X:1\nT:…\nM:4/4\nL:1/8\nK:none\nA2 B2 | …"
 */
export function writeAbc(tune: Tune, { clef, octavesUp = 0, onOneLine = false }: WrittenAs = {}): AbcTune {
  const { beats, unit } = tune.meter;
  let text = `X:1\nT:${tune.title.replaceAll(/[\r\n]+/g, " ")}\nM:${beats}/${unit}\nL:1/8\nK:none${clef === undefined ? "" : ` clef=${clef}`}\n`;
  const notes: TuneNote[] = [];
  const inBar = new Map<string, number>();
  for (const [at, bar] of tune.bars.entries()) {
    inBar.clear();
    const end = bar.start + bar.length;
    let time = bar.start;
    const inThisBar = tune.notes.filter((each) => each.bar === at);
    const tripled = triplets(inThisBar, bar.start);
    for (const [place, note] of inThisBar.entries()) {
      text += rest(note.onset - time);
      const group = tripled.get(place);
      const from = text.length;
      if (group === "first") text += "(3";
      const { name, octave } = note.pitch;
      // Three in the time of two are written as long as the two.
      const nominal = group === undefined ? note.duration : note.duration * 1.5;
      text += written({ name, octave: octave + octavesUp }, inBar) + length(nominal);
      notes.push({ ...note, from, to: text.length });
      time = note.onset + note.duration;
      // Notes within one beat are beamed: nothing stands between them.
      if (note.duration >= 1 || isWhole((time - bar.start) / feltBeat(tune.meter))) text += " ";
    }
    text += rest(end - time) + (at === tune.bars.length - 1 ? "|]" : bar.endsSection ? "||" : "|");
    const isLineEnd = !onOneLine && (at + 1) % barsPerLine(tune) === 0;
    text += isLineEnd && at < tune.bars.length - 1 ? "\n" : " ";
  }
  return { text, engraving: text, tune: { ...tune, notes } };
}

/** Which notes of a bar are three to a quarter, by their place in it: the first of three, or one that follows. */
function triplets(notes: readonly TuneNote[], start: number): ReadonlyMap<number, "first" | "next"> {
  const found = new Map<number, "first" | "next">();
  const isThird = (note: TuneNote | undefined, onset: number) =>
    note !== undefined && Math.abs(note.duration - 1 / 3) < 1e-6 && Math.abs(note.onset - onset) < 1e-6;
  for (let at = 0; at < notes.length; at += 1) {
    const first = notes[at]?.onset ?? 0;
    const three = [0, 1, 2].every((each) => isThird(notes[at + each], first + each / 3));
    if (!isWhole(first - start) || !three) continue;
    found
      .set(at, "first")
      .set(at + 1, "next")
      .set(at + 2, "next");
  }
  return found;
}

const isWhole = (beats: number): boolean => Math.abs(beats - Math.round(beats)) < 1e-6;

/** As many bars to a line as hold sixteen quarters. */
const barsPerLine = ({ meter }: Tune): number => Math.max(1, Math.floor(16 / barLength(meter)));

const rest = (quarters: number) => (quarters > 1e-6 ? `z${length(quarters)} ` : "");

/** A length in quarters as a fraction of an eighth, in lowest terms. */
function length(quarters: number): string {
  const parts = Math.max(1, Math.round(quarters * 2 * FINEST));
  const common = divisor(parts, FINEST);
  const [over, under] = [parts / common, FINEST / common];
  return `${over === 1 ? "" : over}${under === 1 ? "" : `/${under}`}`;
}

function divisor(a: number, b: number): number {
  return b === 0 ? a : divisor(b, a % b);
}

const SIGNS: Readonly<Record<number, string>> = { [-2]: "__", [-1]: "_", 0: "=", 1: "^", 2: "^^" };

function written({ name, octave }: Pitch, inBar: Map<string, number>): string {
  const letter = letterOf(name);
  const place = `${letter}${octave}`;
  const accidentals = accidentalsOf(name);
  const sign = (inBar.get(place) ?? 0) === accidentals ? "" : (SIGNS[accidentals] ?? "");
  inBar.set(place, accidentals);
  const body = octave >= 5 ? letter.toLowerCase() + "'".repeat(octave - 5) : letter + ",".repeat(4 - octave);
  return sign + body;
}
