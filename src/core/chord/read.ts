import {
  ACCIDENTALS,
  accidentalCount,
  type Fifths,
  fifthsFrom,
  type Interval,
  maybeDegree,
  maybeFifthsIn,
  type NoteNaming,
} from "../pitch";
import type { Chord } from "./chord";

/** Why a symbol was not read: the part that stopped the reader and what would have done there. */
interface UnreadSymbol {
  readonly code: "chord-unread" | "bass-unread";
  /** Offset within the symbol. */
  readonly offset: number;
  readonly found: string;
  readonly expected: "root" | "quality" | "bass";
}

export type SymbolReading = { readonly chord: Chord } | { readonly unread: UnreadSymbol };

/** What the reader has gathered about a chord so far; tones come out of it at the end. */
interface Quality {
  third: Interval | undefined;
  fifth: Interval | undefined;
  seventh: Interval | undefined;
  /** The major mark: the next seventh is a major one. */
  major: boolean;
  /** Nothing but the root has been read: "+" and "-" here mean augmented and minor. */
  bare: boolean;
  readonly upper: Set<Interval>;
  readonly optional: Set<Interval>;
}

type Rule = readonly [pattern: RegExp, apply: (quality: Quality, found: RegExpExecArray) => void];

const interval = (sign: string, number: string): Interval =>
  maybeDegree(sign.replace("+", "#").replace("-", "b") + number) ?? 0;

function extend(quality: Quality, number: number): void {
  quality.seventh = quality.major ? 5 : isDiminished(quality) ? -9 : -2;
  if (number >= 9) quality.upper.add(2);
  if (number === 11) quality.upper.add(-1);
  if (number === 13) {
    quality.upper.add(3);
    quality.optional.add(-1);
  }
  // Over an eleventh the third of a dominant is left out; a major eleventh keeps it.
  if (number === 11 && quality.third === 4 && !quality.major) quality.optional.add(4);
}

/** Read as "dim" with or without a seventh of its own, so that a number after it stands over ♭♭7. */
const isDiminished = ({ third, fifth, seventh }: Quality) =>
  third === -3 && fifth === -6 && (seventh === undefined || seventh === -9);

function suspend(quality: Quality, which: string): void {
  quality.third = undefined;
  if (which.includes("2")) quality.upper.add(2);
  if (which !== "2") quality.upper.add(-1);
}

/** The number that a tone above the seventh goes by: 2 is a ninth there, 4 an eleventh, 6 a thirteenth. */
const UPPER_NUMBER: Readonly<Record<string, string>> = { "2": "9", "4": "11", "6": "13" };

/** An altered tone takes the place of the plain one: ♭5 and ♯5 of the fifth, ♭9 and ♯9 of the ninth, and so on. */
function alter(quality: Quality, sign: string, written: string): void {
  const number = UPPER_NUMBER[written] ?? written;
  const tone = interval(sign, number);
  if (number !== "5") {
    quality.upper.delete(interval("", number));
    quality.upper.add(tone);
  } else if (quality.fifth === 1 || quality.fifth === undefined || quality.fifth === tone) {
    quality.fifth = tone;
  } else {
    // Both fifths altered: the other one is written as ♯11 or ♭13.
    quality.upper.add(tone === 8 ? -4 : 6);
  }
}

const leaveOut = (quality: Quality, number: string): void => {
  if (number === "3") quality.third = undefined;
  else if (number === "5") quality.fifth = undefined;
  else if (number === "7") quality.seventh = undefined;
  else quality.upper.delete(interval("", number));
};

const add = (quality: Quality, sign: string, number: string): void => {
  quality.upper.add(interval(sign, number));
};

/** A second seventh stands above the first. */
function addSeventh(quality: Quality, tone: Interval): void {
  if (quality.seventh === undefined) quality.seventh = tone;
  else if (quality.seventh !== tone) quality.upper.add(tone);
}

/** Tried in order at each place of the symbol; the first that matches is taken. */
const RULES: readonly Rule[] = [
  // A number by itself in parentheses, or after a comma, is added and brings nothing with it: C7(13).
  [/^(?:\(\s*|,\s*)(2|4|6|9|11|13)(?=[),\s#♯b♭+-])/u, (q, [, number = ""]) => add(q, "", number)],
  [/^[(),]\s*|^\s+(?=[(#♯b♭a-z])/u, () => undefined],
  // A slash before a number or a major mark parts them: 6/9, 7/13, m/maj7, 7/b9.
  [/^\/(2|4|6|9|11|13)(?!\d)/u, (q, [, number = ""]) => add(q, "", number)],
  [/^\/(?=[#♯b♭]\d|maj|Maj|ma|M|Δ)/u, () => undefined],
  [
    /^(?:major|Major|maj|Maj|MAJ|ma(?!dd)|Ma(?!dd)|MA|M(?![Ii])|Δ|\^|j(?=7|9))(7|9|11|13)?/u,
    (q, [mark = "", number]) => {
      q.major = true;
      if (number) extend(q, Number(number));
      // A triangle means the seventh; after a seventh the mark says which: C7M.
      else if (/[Δ^]/u.test(mark) || q.seventh === -2) q.seventh = 5;
    },
  ],
  [/^(?:minor|Minor|min|Min|MIN|mi|Mi|MI|m)/u, (q) => void (q.third = -3)],
  [
    /^(?:ø|half-?dim|hdim|h(?=7))(7|9|11)?/u,
    (q, [, number = "7"]) => {
      q.third = -3;
      q.fifth = -6;
      q.seventh = -2;
      for (const each of ["9", "11"]) if (Number(number) >= Number(each)) add(q, "", each);
    },
  ],
  [
    /^(?:dim|°|o(?!m))(7|9|11)?/u,
    (q, [, number]) => {
      q.third = -3;
      q.fifth = -6;
      if (number) extend(q, Number(number));
    },
  ],
  [/^dom(?=7|9|11|13)/u, () => undefined],
  [/^aug/u, (q) => void (q.fifth = 8)],
  [
    /^alt\.?/u,
    (q) => {
      q.third = 4;
      q.fifth = undefined;
      q.seventh = -2;
      for (const tone of [-5, 9, -4]) q.upper.add(tone);
      q.optional.add(6);
    },
  ],
  [
    /^sus([#♯b♭])(2|4)/u,
    (q, [, sign = "", number = ""]) => {
      q.third = undefined;
      add(q, sign, number);
    },
  ],
  [
    /^sus(7|9|13)/u,
    (q, [, number]) => {
      extend(q, Number(number));
      suspend(q, "4");
    },
  ],
  [/^sus(2\/?4|4\/?2|2sus4|4sus2|4|2)?/u, (q, [, which = "4"]) => suspend(q, which)],
  [/^add\s?([b♭]?)7/u, (q, [, flat = ""]) => addSeventh(q, flat === "" ? 5 : -2)],
  [/^add\s?([#♯b♭+-]?)(2|4|6|9|11|13)/u, (q, [, sign = "", number = ""]) => add(q, sign, number)],
  [/^(?:no|omit)\s?(3|5|7|9|11)(?:rd|th)?/u, (q, [, number = ""]) => leaveOut(q, number)],
  [/^6\s?\/?\s?9|^69/u, (q) => void q.upper.add(3).add(2)],
  [/^(7|9|11|13)/u, (q, [, number]) => extend(q, Number(number))],
  [/^6/u, (q) => void q.upper.add(3)],
  [/^2(?!\d)/u, (q) => add(q, "", "2")],
  [/^4(?!\d)/u, (q) => suspend(q, "4")],
  [/^\+/u, (q) => void (q.fifth = 8)],
];

/** Signs that mean another thing right after the root: C5, C+ and C-. */
const BARE_RULES: readonly Rule[] = [
  [/^5(?!\d)/u, (q) => void (q.third = undefined)],
  [/^\+5?/u, (q) => void (q.fifth = 8)],
  [/^-(?!5)/u, (q) => void (q.third = -3)],
];

/** Alterations may follow anything but a bare root's own + and -. */
const ALTERATIONS: readonly Rule[] = [
  // A raised seventh is the major one of a minor chord: m(#7), m+7.
  [/^[#♯+]7/u, (q) => void (q.seventh = 5)],
  [/^([#♯b♭+-])(2|4|5|6|9|11|13)/u, (q, [, sign = "", number = ""]) => alter(q, sign, number)],
];

const SUPERSCRIPTS = "⁰¹²³⁴⁵⁶⁷⁸⁹";

/** The signs that look alike, each as the one that is read here: dashes, triangles, circles with and without a stroke. */
const ALIKE: readonly (readonly [RegExp, string])[] = [
  [/[\u2010-\u2015\u2212]/gu, "-"],
  [/[\u2206\u25B3\u25B2]/gu, "Δ"],
  [/[Ø∅⌀]/gu, "ø"],
  [/[º˚∘ᵒ]/gu, "°"],
];

/** Words of a quality that mean the same in capitals; of major and minor the capital alone is told apart. */
const WORDS = /(?<=.)(?:sus|dim|aug|alt|add|omit|dom)/giu;

/** The symbol in plain signs and words, each in its place. */
function plainSigns(text: string): string {
  const figures = text
    .replaceAll(/[⁰¹²³⁴-⁹]/gu, (figure) => String(SUPERSCRIPTS.indexOf(figure)))
    .replaceAll(WORDS, (word) => word.toLowerCase());
  return ALIKE.reduce((plain, [signs, sign]) => plain.replaceAll(signs, sign), figures);
}

/**
 * Lower-case roots where they are nothing else: not b5 and b9, alterations that lost their chord, nor words like “do”. Two flats before a
 * fifth at the end are one and an altered fifth: B♭(♭5).
 */
const ROOT = new RegExp(
  `^([A-G]|[ac-g](?!dd|lt|im|ug|o(?![79mM]))|b(?!\\d|o(?![79mM])))((?:b|♭)(?=[b♭]5$)|${ACCIDENTALS})`,
  "u",
);

/** German roots: H is B, B is B♭, and the endings -is and -es; "Esus" is E with a fourth, not E♭. */
const GERMAN_ROOT = new RegExp(`^([A-H](?:is|es)|[EA]s(?!us)|[A-H](?:${ACCIDENTALS}))`, "u");

/** In German a small letter is a minor chord: a, fis, h7; not “dim” or “add”, nor an alteration that lost its chord. */
const GERMAN_MINOR_ROOT = new RegExp(
  `^([ac-h](?:is|es)|[ea]s(?!us)|[ac-h](?!dd|lt|im|ug|o(?![79mM]))${ACCIDENTALS}|b(?!\\d|o(?![79mM])))`,
  "u",
);

/** A root as it stands at the head of a symbol. */
interface Root {
  readonly root: Fifths;
  readonly length: number;
  /** A small German letter: minor without a sign for it. */
  readonly isMinor?: boolean;
}

function readRoot(text: string, naming: NoteNaming): Root | undefined {
  if (naming === "german") {
    const minor = GERMAN_MINOR_ROOT.exec(text)?.[1];
    const minorRoot = minor === undefined ? undefined : maybeFifthsIn(minor, "german");
    if (minor !== undefined && minorRoot !== undefined)
      return { root: minorRoot, length: minor.length, isMinor: !SAYS_THIRD.test(text.slice(minor.length)) };
    const written = GERMAN_ROOT.exec(text)?.[1];
    const root = written === undefined ? undefined : maybeFifthsIn(written, "german");
    if (written !== undefined && root !== undefined) return { root, length: written.length };
  }
  const head = ROOT.exec(text);
  if (!head) return undefined;
  return { root: fifthsFrom(head[1] ?? "", accidentalCount(head[2] ?? "")), length: head[0].length };
}

/** A quality that says what third a chord has, or that it has none. */
const SAYS_THIRD = /^(?:maj|Maj|MAJ|dur|m|-|\+|aug|dim|°|o(?!m)|ø|sus|5(?!\d)|4(?!\d)|alt)/u;

/**
 * Reads one chord symbol as players write them: root, quality in the usual spellings, extensions and alterations in
 * any order, added and omitted tones, a bass after a slash.
 *
 * Conventions: a 13th makes the 11th optional; an 11th over a dominant leaves out
 * the third; "alt" is 1 3 ♭7 ♭9 ♯9 ♭13 with ♯11 optional; Δ alone is a major seventh; sus alone and 4 are sus4, 2 is add9.
 *
 * @param naming how roots and basses are called: German reads H, B for B♭, Fis and Es
 * @example readSymbol("A13") // { chord: { root: 3, tones: [0, 4, 1, -2, 2, 3], optional: [] } }
 */
export function readSymbol(written: string, naming: NoteNaming = "english"): SymbolReading {
  const text = plainSigns(written);
  const head = readRoot(text, naming);
  if (!head) return { unread: { code: "chord-unread", offset: 0, found: text, expected: "root" } };
  const { root } = head;
  const q: Quality = {
    third: head.isMinor === true ? -3 : 4,
    fifth: 1,
    seventh: undefined,
    major: false,
    bare: true,
    upper: new Set(),
    optional: new Set(),
  };
  let at = head.length;
  let bass: Fifths | undefined;
  while (at < text.length) {
    const rest = text.slice(at);
    const rules = q.bare ? [...BARE_RULES, ...ALTERATIONS, ...RULES] : [...ALTERATIONS, ...RULES];
    const taken = rules
      .map(([pattern, apply]) => ({ found: pattern.exec(rest), apply }))
      .find(({ found }) => found);
    if (!taken?.found && rest.startsWith("/")) {
      bass = maybeFifthsIn(rest.slice(1), naming);
      if (bass !== undefined) break;
      return { unread: { code: "bass-unread", offset: at + 1, found: rest.slice(1), expected: "bass" } };
    }
    if (!taken?.found)
      return { unread: { code: "chord-unread", offset: at, found: rest, expected: "quality" } };
    taken.apply(q, taken.found);
    if (!/^[(\s]/u.test(taken.found[0])) q.bare = false;
    at += taken.found[0].length;
  }
  return { chord: { root, ...tonesOf(q), bass } };
}

/** A symbol in its parts, as they are written. */
interface SymbolParts {
  readonly root: string;
  /** What follows the root; a small German root that is minor by itself brings its "m". */
  readonly quality: string;
  readonly bass: string | undefined;
}

/**
 * A readable symbol taken apart as it is written: root, quality, and the bass after a slash.
 *
 * @example partsOfSymbol("F#m7b5/E") // { root: "F#", quality: "m7b5", bass: "E" }
 * @example partsOfSymbol("h7", "german") // { root: "H", quality: "m7", bass: undefined }
 */
export function partsOfSymbol(text: string, naming: NoteNaming = "english"): SymbolParts | undefined {
  const reading = readSymbol(text, naming);
  const head = readRoot(plainSigns(text), naming);
  if (!("chord" in reading) || !head) return undefined;
  const written = text.slice(0, head.length);
  const slash = reading.chord.bass === undefined ? -1 : text.lastIndexOf("/");
  const quality = text.slice(written.length, slash < 0 ? undefined : slash);
  return {
    root: naming === "german" ? written.charAt(0).toUpperCase() + written.slice(1) : written,
    quality: head.isMinor === true ? `m${quality}` : quality,
    bass: slash < 0 ? undefined : text.slice(slash + 1),
  };
}

function tonesOf(q: Quality): { tones: readonly Interval[]; optional: readonly Interval[] } {
  const stacked = [0, q.third, q.fifth, q.seventh].filter((tone) => tone !== undefined);
  const upper = UPPER_ORDER.filter((tone) => q.upper.has(tone) && !stacked.includes(tone));
  return {
    tones: [...stacked, ...upper].filter((tone) => !(q.optional.has(tone) && tone === 4)),
    optional: [...q.optional].filter((tone) => !q.upper.has(tone)),
  };
}

const UPPER_ORDER: readonly Interval[] = [2, -5, 9, -1, 6, -8, 3, -4, 10, -2, 5];
