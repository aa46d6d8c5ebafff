import { printChord } from "@/core/chord";
import { accidentalsOf, letterOf, type Pitch } from "@/core/pitch";
import { barLength, feltBeat, type Tune, type TuneBar, type TuneChord, type TuneNote } from "@/core/tune";
import type { AbcTune } from "./abc";
import { type Piece, piecesByBar } from "./pieces";

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
 * Writes the melody of a tune as ABC with its chord symbols, repeats and endings, every accidental by the bar and no key
 * signature, and says where each note stands in the text. A note that sounds on while the next one begins is written as far
 * as that one.
 *
 * @example writeAbc(tune).text // "X:1\nT:…\nM:4/4\nL:1/8\nK:none\nA2 B2 | …"
 */
export function writeAbc(tune: Tune, { clef, octavesUp = 0, onOneLine = false }: WrittenAs = {}): AbcTune {
  const { beats, unit } = tune.meter;
  const places = new Map<TuneNote, { readonly from: number; readonly to: number }>();
  const perLine = barsPerLine(tune);
  const byBar = piecesByBar(tune);
  const chords = [...(tune.chords ?? [])];
  const lines: string[] = [];
  let text = `X:1\nT:${tune.title.replaceAll(/[\r\n]+/g, " ")}\nM:${beats}/${unit}\nL:1/8\nK:none${clef === undefined ? "" : ` clef=${clef}`}\n`;
  let before = 0;
  const put = (more: string) => {
    text += more;
  };
  if (tune.bars[0]?.signs?.opens) put("|:");
  for (const [at, bar] of tune.bars.entries()) {
    const inBar = new Map<string, number>();
    const end = bar.start + bar.length;
    let time = bar.start;
    const pieces = byBar[at] ?? [];
    const tripled = triplets(pieces, bar.start);
    const symbolsUntil = (until: number) => {
      let symbols = "";
      while (chords[0] && chords[0].onset < until - 1e-6)
        symbols += `"${printChord((chords.shift() as TuneChord).chord)}"`;
      return symbols;
    };
    for (const [place, piece] of pieces.entries()) {
      const gap = rest(piece.at - time);
      if (gap !== "") put(symbolsUntil(piece.at) + gap);
      put(symbolsUntil(piece.at + 1e-3));
      const group = tripled.get(place);
      const from = before + text.length;
      if (group === "first") put("(3");
      // Three in the time of two are written as long as the two.
      const nominal = group === undefined ? piece.length : piece.length * 1.5;
      const heads = piece.notes.map(({ pitch: { name, octave } }) =>
        written({ name, octave: octave + octavesUp }, inBar),
      );
      put((heads.length === 1 ? (heads[0] ?? "") : `[${heads.join("")}]`) + length(nominal));
      if (piece.isTied) put("-");
      if (!piece.goesOn) for (const note of piece.notes) places.set(note, { from, to: before + text.length });
      time = piece.at + piece.length;
      // Notes within one beat are beamed: nothing stands between them.
      if (piece.length >= 1 || isWhole((time - bar.start) / feltBeat(tune.meter))) put(" ");
    }
    put(symbolsUntil(end) + rest(end - time) + lineAfter(tune.bars, at));
    const isLineEnd = !onOneLine && (at + 1) % perLine === 0;
    put(isLineEnd && at < tune.bars.length - 1 ? "\n" : " ");
    // Texts that only grow are slow to add to: what is finished is put by.
    before += text.length;
    lines.push(text);
    text = "";
  }
  const whole = lines.join("") + text;
  return {
    text: whole,
    engraving: whole,
    tune: { ...tune, notes: tune.notes.map((note) => ({ ...note, ...places.get(note) })) },
  };
}

/** The line after a bar: repeats closed and opened, an ending that begins, the end of a section. */
function lineAfter(bars: readonly TuneBar[], at: number): string {
  const { signs, endsSection } = bars[at] as TuneBar;
  const next = bars[at + 1]?.signs;
  const closes = (signs?.times ?? 1) > 1;
  const opens = next?.opens ?? false;
  const ends = signs?.endings.join(",") ?? "";
  const begins = next?.endings.join(",") ?? "";
  const ending = begins !== "" && begins !== ends ? begins : "";
  if (at === bars.length - 1) return closes ? ":|" : "|]";
  if (closes) return opens ? "::" : `:|${ending}`;
  if (opens) return endsSection ? "||:" : "|:";
  return (endsSection ? "||" : "|") + ending;
}

/** Which pieces of a bar are three to a quarter, by their place in it: the first of three, or one that follows. */
function triplets(pieces: readonly Piece[], start: number): ReadonlyMap<number, "first" | "next"> {
  const found = new Map<number, "first" | "next">();
  const isThird = (piece: Piece | undefined, at: number) =>
    piece !== undefined && Math.abs(piece.length - 1 / 3) < 1e-6 && Math.abs(piece.at - at) < 1e-6;
  for (let at = 0; at < pieces.length; at += 1) {
    const first = pieces[at]?.at ?? 0;
    const three = [0, 1, 2].every((each) => isThird(pieces[at + each], first + each / 3));
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
