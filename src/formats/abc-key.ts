import { accidentalsOf, type Fifths, fifthsFrom, letterOf, soundOf } from "@/core/pitch";
import { type HomeMode, mode, modeOf, type Mode, pitchClassSet } from "@/core/scale";

/** What a key field says: the note each letter stands for, and home and mode where it names a home. */
export interface KeyField {
  /** Accidentals by letter: flats below nought, sharps above. */
  readonly signature: ReadonlyMap<string, number>;
  readonly homeMode?: HomeMode | undefined;
}

/** Words for modes count by their first three letters. */
const WORDS: Readonly<Record<string, string>> = {
  "": "ionian",
  maj: "ionian",
  ion: "ionian",
  m: "aeolian",
  min: "aeolian",
  aeo: "aeolian",
  dor: "dorian",
  phr: "phrygian",
  lyd: "lydian",
  mix: "mixolydian",
  loc: "locrian",
};

const FIELD = /^([A-G])([#b♯♭]?)\s*([A-Za-z]*)(.*)$/u;
/** Written accidentals of the signature, each before its letter, one after another or apart: "^f", "_b_e". */
const EXPLICIT = /(?<=^|[\s,])(?:(?:\^\^?|__?|=)[A-Ga-g])+(?=$|[\s,])/gu;
const ONE_EXPLICIT = /(\^\^?|__?|=)([A-Ga-g])/gu;
const ACCIDENTAL: Readonly<Record<string, number>> = { "^": 1, "^^": 2, "=": 0, _: -1, __: -2 };

/** Pipers' music is written without a home: F and C are sharp, whether that is written (Hp) or not (HP). */
const PIPES = new Map([
  ["F", 1],
  ["C", 1],
]);

/**
 * Reads the text of a key field: "EDor", "F#m", "D Phr ^f", "G exp _b", "none". A mode with accidentals of its own is the mode
 * that they make of it. Words that mean something else (clefs, "transpose=") are passed over.
 *
 * @example readKeyField("A mix").homeMode // { home: 3, mode: mixolydian }
 * @source The ABC music standard 2.1, section 4.6
 */
export function readKeyField(text: string): KeyField {
  const plain = text.replace(/%.*$/u, "").trim();
  if (/^H[Pp]\b/u.test(plain)) return { signature: PIPES };
  const [, letter, sign = "", word = "", rest = ""] = FIELD.exec(plain) ?? [];
  const named = letter === undefined ? undefined : modeNamed(word);
  const written = (`${named ? "" : ` ${word}`} ${rest}`.match(EXPLICIT) ?? []).join("");
  const explicit = [...written.matchAll(ONE_EXPLICIT)].map(
    ([, accidental = "", note = ""]) => [note.toUpperCase(), ACCIDENTAL[accidental] ?? 0] as const,
  );
  const isWhole = /^exp/iu.test(word) || /\bexp\b/iu.test(rest);
  const home = letter === undefined ? undefined : fifthsFrom(letter, signOf(sign));
  const base = named ?? (letter !== undefined ? mode("ionian") : undefined);
  const signature = new Map<string, number>(
    home !== undefined && base && !isWhole
      ? base.intervals.map((interval) => [letterOf(home + interval), accidentalsOf(home + interval)])
      : [],
  );
  for (const [note, accidental] of explicit) signature.set(note, accidental);
  return { signature, homeMode: home === undefined ? undefined : { home, mode: modeMade(home, signature) } };
}

const signOf = (sign: string) => (/[#♯]/u.test(sign) ? 1 : sign === "" ? 0 : -1);

function modeNamed(word: string): Mode | undefined {
  const short = word.toLowerCase().slice(0, 3);
  const id = WORDS[short] ?? (word === "M" ? "ionian" : undefined);
  return id === undefined ? undefined : mode(id);
}

/** The mode that a signature makes on a home, letter by letter. */
function modeMade(home: Fifths, signature: ReadonlyMap<string, number>): Mode {
  const sounds = [..."CDEFGAB"].map((letter) =>
    soundOf(fifthsFrom(letter, signature.get(letter) ?? 0) - home),
  );
  return modeOf(pitchClassSet([0, ...sounds]));
}
