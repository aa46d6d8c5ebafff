import { printChord } from "@/core/chord";
import { accidentalsOf, letterOf, type Pitch, printName } from "@/core/pitch";
import { type HomeMode, notesOf, parentOf } from "@/core/scale";
import {
  barLength,
  feltBeat,
  type Tune,
  type TuneBar,
  type TuneChord,
  type TuneNote,
  type TuneVoice,
  voiceNotes,
} from "@/core/tune";
import type { AbcTune } from "./abc";
import { type Piece, piecesByBar } from "./pieces";

/** Lengths are written as fractions of an eighth with this denominator at most: enough for triplets of sixteenths. */
const FINEST = 48;

/** The clef, and octaves that the notes are written above their sound. */
interface WrittenAs {
  readonly clef?: "treble" | "bass" | "treble-8" | "bass-8" | undefined;
  readonly octavesUp?: number;
  /** What stands under each note of the melody: a syllable. */
  readonly words?: (note: TuneNote) => string;
  /** Every bar on one line, however long it grows. */
  readonly onOneLine?: boolean;
}

/** Where each note stands in the text. */
type Places = Map<TuneNote, { readonly from: number; readonly to: number }>;

/**
 * Writes a tune as ABC: every voice on its staff in its clef, the key signature where a key is declared, chord symbols, repeats and
 * endings, phrases that are marked; and says where each note stands in the text. A note that sounds on while the next one of its
 * voice begins is written as far as that one.
 *
 * @example writeAbc(tune).text // "X:1\nT:…\nM:4/4\nL:1/8\nK:none\nA2 B2 | …"
 */
export function writeAbc(tune: Tune, written: WrittenAs = {}): AbcTune {
  const { clef } = written;
  const { beats, unit } = tune.meter;
  const places: Places = new Map();
  const voices = tune.voices ?? [undefined];
  const head = [
    "X:1",
    `T:${oneLine(tune.title)}`,
    `M:${beats}/${unit}`,
    "L:1/8",
    ...(tune.voices ? [`%%score ${staves(tune.voices)}`] : []),
    `K:${keyText(tune.keys?.[0])}${clef === undefined ? "" : ` clef=${clef}`}`,
  ].join("\n");
  let whole = `${head}\n`;
  for (const [at, voice] of voices.entries()) {
    if (voice) {
      const name = voice.name === "" ? "" : ` name="${oneLine(voice.name).replaceAll('"', "'")}"`;
      whole += `${at === 0 ? "" : "\n"}V:${at + 1} clef=${voice.clef}${name}\n`;
    }
    whole += music(tune, at, written, whole.length, places);
  }
  const placed = (note: TuneNote) => ({ ...note, ...places.get(note) });
  return {
    text: whole,
    engraving: whole,
    tune: {
      ...tune,
      notes: tune.notes.map(placed),
      ...(tune.beneath ? { beneath: tune.beneath.map(placed) } : {}),
    },
  };
}

const oneLine = (text: string) => text.replaceAll(/[\r\n]+/g, " ");

/** Which voices share a staff: "(1 2) 3". */
function staves(voices: readonly TuneVoice[]): string {
  const byStaff = new Map<number, number[]>();
  for (const [at, { staff }] of voices.entries()) byStaff.set(staff, [...(byStaff.get(staff) ?? []), at + 1]);
  return [...byStaff.values()]
    .map((some) => (some.length === 1 ? String(some[0]) : `(${some.join(" ")})`))
    .join(" ");
}

const KEY_WORDS: Readonly<Record<string, string>> = {
  ionian: "",
  dorian: "Dor",
  phrygian: "Phr",
  lydian: "Lyd",
  mixolydian: "Mix",
  aeolian: "m",
  locrian: "Loc",
};

/** A declared key as its field has it; "none" where no signature can say it. */
function keyText(key: HomeMode | undefined): string {
  const word = key && KEY_WORDS[key.mode.id];
  const isWritten =
    key !== undefined && word !== undefined && Math.abs(parentOf(key).tonic) <= MAX_IN_SIGNATURE;
  return isWritten ? `${printName(key.home)}${word}` : "none";
}

/** Sharps or flats that a signature has at most. */
const MAX_IN_SIGNATURE = 7;

/** The accidentals that a key's signature gives each letter. */
const signatureOf = (key: HomeMode | undefined): ReadonlyMap<string, number> =>
  new Map(
    key === undefined || keyText(key) === "none"
      ? []
      : notesOf(key).map((note) => [letterOf(note), accidentalsOf(note)]),
  );

/** The bars of one voice, every note set down in `places` as many characters on as the text before is long. */
function music(
  tune: Tune,
  voice: number,
  { octavesUp = 0, onOneLine = false, words }: WrittenAs,
  from: number,
  places: Places,
): string {
  const perLine = barsPerLine(tune);
  const byBar = piecesByBar({ notes: voiceNotes(tune, voice), bars: tune.bars });
  // In a clef with an 8 below, music is written an octave above its sound.
  const up = octavesUp + (tune.voices?.[voice]?.clef.endsWith("-8") === true ? 1 : 0);
  const chords = voice === 0 ? [...(tune.chords ?? [])] : [];
  const marks = voice === 0 ? [...(tune.phraseMarks ?? [])] : [];
  const keys = new Map(tune.keys?.map((key) => [key.bar, key]));
  let signature = signatureOf(tune.keys?.[0]);
  const lines: string[] = [];
  /** What stands under the notes of the line under way. */
  let line: string[] = [];
  let text = "";
  let before = from;
  const put = (more: string) => {
    text += more;
  };
  if (tune.bars[0]?.signs?.opens) put("|:");
  for (const [at, bar] of tune.bars.entries()) {
    const inBar = new Map<string, number>();
    const end = bar.start + bar.length;
    let time = bar.start;
    const key = at > 0 ? keys.get(at) : undefined;
    if (key) {
      signature = signatureOf(key);
      put(`[K:${keyText(key)}]`);
    }
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
      while ((marks[0]?.onset ?? Infinity) < piece.at - 1e-6) marks.shift();
      if ((marks[0]?.onset ?? Infinity) < piece.at + piece.length - 1e-6)
        put(`!${marks.shift()?.sign ?? ""}!`);
      const group = tripled.get(place);
      const start = before + text.length;
      if (group === "first") put("(3");
      // Three in the time of two are written as long as the two.
      const nominal = group === undefined ? piece.length : piece.length * 1.5;
      const heads = piece.notes.map(({ pitch: { name, octave } }) =>
        written({ name, octave: octave + up }, inBar, signature),
      );
      put((heads.length === 1 ? (heads[0] ?? "") : `[${heads.join("")}]`) + length(nominal));
      const [top] = piece.notes;
      if (words && voice === 0 && top) line.push(piece.goesOn ? "*" : words(top));
      if (piece.isTied) put("-");
      if (!piece.goesOn)
        for (const note of piece.notes) places.set(note, { from: start, to: before + text.length });
      time = piece.at + piece.length;
      // Notes within one beat are beamed: nothing stands between them.
      if (piece.length >= 1 || isWhole((time - bar.start) / feltBeat(tune.meter))) put(" ");
    }
    put(symbolsUntil(end) + rest(end - time) + lineAfter(tune.bars, at));
    const isLineEnd = !onOneLine && (at + 1) % perLine === 0;
    const isLast = at === tune.bars.length - 1;
    if (line.length > 0 && (isLineEnd || isLast)) {
      put(`\nw: ${line.join(" ")}`);
      line = [];
    }
    put(isLineEnd && !isLast ? "\n" : " ");
    // Texts that only grow are slow to add to: what is finished is put by.
    before += text.length;
    lines.push(text);
    text = "";
  }
  return lines.join("") + text;
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

function written(
  { name, octave }: Pitch,
  inBar: Map<string, number>,
  signature: ReadonlyMap<string, number>,
): string {
  const letter = letterOf(name);
  const place = `${letter}${octave}`;
  const accidentals = accidentalsOf(name);
  const sign =
    (inBar.get(place) ?? signature.get(letter) ?? 0) === accidentals ? "" : (SIGNS[accidentals] ?? "");
  inBar.set(place, accidentals);
  return sign + abcLetter(letter, octave);
}

const abcLetter = (letter: string, octave: number): string =>
  octave >= 5 ? letter.toLowerCase() + "'".repeat(octave - 5) : letter + ",".repeat(4 - octave);

/**
 * A pitch by itself, with its accidental.
 *
 * @example writeAbcPitch({ name: 6, octave: 3 }) // "^F,"
 */
export const writeAbcPitch = ({ name, octave }: Pitch): string =>
  (accidentalsOf(name) === 0 ? "" : (SIGNS[accidentalsOf(name)] ?? "")) + abcLetter(letterOf(name), octave);
