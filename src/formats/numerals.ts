import { readChart, readSymbol } from "@/core/chord";
import { type Fifths, maybeFifths, printName } from "@/core/pitch";
import type { Problem, Reading } from "@/core/problem";
import { figuredChord, isFiguredLine } from "./figures";
import { degreeOf, NUMERAL, type NumeralKey, numberOf } from "./numeral-key";

const ROMAN_CHORD = new RegExp(`^([b#♭♯]?)(${NUMERAL})([^/]{0,12})(?:/(.{1,4}))?$`, "u");
const NUMBER_CHORD = /^([b#♭♯]?)([1-7])([^/]{0,12})(?:\/([b#♭♯]?[1-7]))?$/u;

/** What stands between chords: bar lines, repeats, dashes, times, an inner comment. */
const BETWEEN = /^(?:[|:[\]]+|\d\.|[x×]\d{1,2}|\(?[x×]\s?\d{1,2}\)?|[-–—,;%/.~]|N\.?C\.?)$/u;

/** Signs of quality that numerals have and symbols write otherwise. */
const QUALITY: readonly (readonly [RegExp, string])[] = [
  [/^(?:ø7?|Ø7?)/u, "m7b5"],
  [/^(?:°7|o7)/u, "dim7"],
  [/^(?:°|o(?!n))/u, "dim"],
  [/^\+/u, "aug"],
  [/^(?:\^7?|Δ7?|M7)/u, "maj7"],
];

/** The note that a degree behind a slash names: "b7" in D is C. */
function bassOf(behind: string, key: NumeralKey): string | undefined {
  const [, shift = "", digit = ""] = /^([b#♭♯]?)([1-7])$/u.exec(behind) ?? [];
  return digit === "" ? undefined : printName(degreeOf(key, shift, Number(digit)), "ascii");
}

/** A root with a suffix, minor where the numeral says so. */
function symbolAt(root: Fifths, isMinor: boolean, rest: string): string {
  const found = QUALITY.find(([sign]) => sign.test(rest));
  const suffix = found ? rest.replace(found[0], found[1]) : rest;
  const saysThird = /^(?:m7b5|dim|aug|sus|5)/u.test(suffix);
  const third = !isMinor || saysThird ? "" : "m";
  return (
    printName(root, "ascii") + (third !== "" && suffix.startsWith("maj") ? `m(${suffix})` : third + suffix)
  );
}

/** Two figures or more that are neither an extension nor 6 with 9: those of a figured line are read before. */
const UNREAD_FIGURES = /^(?!11|13|69)\d{2}/u;

/** A degree that a chord leads to, behind its slash. */
const PLACE = new RegExp(`^([b#♭♯]?)(${NUMERAL})$`, "u");

/**
 * The chord that a Roman numeral says in a key: capitals are major, small letters minor, `V7/ii` is the dominant of another degree, `I/3`
 * has a degree of the key in the bass. Undefined where it is none.
 *
 * @example romanChord("bVII7", { tonic: 2, isMinor: false }) // "C7" in D
 */
function romanChord(word: string, key: NumeralKey): string | undefined {
  const [, shift = "", numeral = "", rest = "", behind] = ROMAN_CHORD.exec(word) ?? [];
  if (numeral === "" || UNREAD_FIGURES.test(rest)) return undefined;
  const number = numberOf(numeral);
  const isMinor = numeral === numeral.toLowerCase();
  // The diminished chord on the seventh of a minor key stands on its leading note: G♯° in A minor.
  if (key.isMinor && numeral === "vii" && shift === "" && /^(?:[°øØo]|dim|m7b5)/u.test(rest))
    return romanChord(`#${word}`, key);
  if (behind === undefined) return symbolAt(degreeOf(key, shift, number), isMinor, rest);
  const [, towards = "", place = ""] = PLACE.exec(behind) ?? [];
  if (place !== "") {
    const tonic = degreeOf(key, towards, numberOf(place));
    return symbolAt(degreeOf({ tonic, isMinor: false }, shift, number), isMinor, rest);
  }
  const bass = bassOf(behind, key);
  return bass && `${symbolAt(degreeOf(key, shift, number), isMinor, rest)}/${bass}`;
}

/** Degrees that are minor, and the one that is diminished, among the triads of a major and a minor scale. */
const OWN_MINOR = { major: [2, 3, 6], minor: [1, 4, 5] } as const;
const OWN_DIMINISHED = { major: 7, minor: 2 } as const;

/**
 * The chord that a number says in a key, as in the Nashville system: `6m` and `6-` are minor, `5/7` has a degree in the bass.
 *
 * @param isPlain nothing in the chart is marked as minor: then each bare number is the triad that the key has there, as in "one five six four"
 * @example numberChord("6m", { tonic: 2, isMinor: false }, false) // "Bm" in D
 */
function numberChord(word: string, key: NumeralKey, isPlain: boolean): string | undefined {
  const [, shift = "", digit = "", rest = "", behind] = NUMBER_CHORD.exec(word) ?? [];
  if (digit === "") return undefined;
  const number = Number(digit);
  const marked = /^(?:-|m(?!aj))/u.exec(rest)?.[0] ?? "";
  const kind = key.isMinor ? "minor" : "major";
  const isOwn = isPlain && rest === "" && shift === "";
  const isMinor = marked !== "" || (isOwn && OWN_MINOR[kind].some((each) => each === number));
  const suffix = isOwn && OWN_DIMINISHED[kind] === number ? "dim" : rest.slice(marked.length);
  const symbol = symbolAt(degreeOf(key, shift, number), isMinor, suffix);
  if (behind === undefined) return symbol;
  return `${symbol}/${bassOf(behind, key) ?? ""}`;
}

/** A line that names the key: "Key: D", "{key: F#m}", "Key of B flat minor". */
const KEY_LINE =
  /^\s*\{?\s*key\s*(?::|of\b|=)\s*([A-Ga-g])\s*(#|b|♯|♭|sharp|flat)?\s*(m(?!aj)|min(?:or)?|-)?(?:\s*(?:maj(?:or)?))?\s*\}?\s*$/iu;

/** The key that a line names; undefined where it names none. */
export function keyLine(line: string): NumeralKey | undefined {
  const [, letter = "", sign = "", minor] = KEY_LINE.exec(line) ?? [];
  const accidental = /^(?:#|♯|sharp)$/iu.test(sign) ? "#" : sign === "" ? "" : "b";
  const tonic = maybeFifths(letter.toUpperCase() + accidental);
  return tonic === undefined ? undefined : { tonic, isMinor: minor !== undefined };
}

/** A word, without the brackets of a chord over words. */
const bare = (word: string) => word.replaceAll(/^[([]|[)\]]$/gu, "");

/**
 * The lines of a chart, those in Roman numerals or in numbers as chord symbols; a chart in symbols comes back as it is. Numerals count from the key that a
 * line of the text names, up to the next such line; without one they count from C, and a problem says so. Bare numbers are chords only
 * where a key is named.
 *
 * @example withoutNumerals("Key: D\n1 6m 4 5").value // ["# Key: D", "D Bm G A"]
 */
export function withoutNumerals(text: string): Reading<readonly string[]> {
  const lines = text.split(/\r\n|\r|\n/u);
  const isNamed = lines.some((line) => keyLine(line) !== undefined);
  const isPlain = !lines.some((line) =>
    line.split(/\s+/u).some((word) => /^[b#]?[1-7](?:-|m(?!aj))/u.test(bare(word))),
  );
  const problems: Problem[] = [];
  let key: NumeralKey = { tonic: 0, isMinor: false };
  let offset = 0;
  const written = lines.map((line) => {
    const from = offset;
    offset += line.length + 1;
    const named = keyLine(line);
    if (named) {
      key = named;
      return line.includes("{") ? line : `# ${line.trim()}`;
    }
    const [, label = "", chords = ""] = /^(\s*[^\s|:[\]][^|:[\]]{0,30}:\s+)?(.*)$/u.exec(line) ?? [];
    const symbols = chordsOfLine(chords, key, isNamed, isPlain);
    if (symbols === undefined) return line;
    if (!isNamed && problems.length === 0)
      problems.push({ code: "no-key", offset: from, length: line.length, found: line.trim().slice(0, 40) });
    return label + symbols;
  });
  return { value: written, problems };
}

/** A small numeral of home by itself: the key is minor. */
const MINOR_HOME = /(?:^|[\s|([])i(?:m?7|6|m|9|-)?(?=[\s|)\]]|$)/u;

/**
 * A chart that is written in numerals, in chord symbols; undefined where most of it is in symbols already, or something else is left that
 * isn't a chord. The key is minor where the home chord is a small numeral.
 *
 * @param tonic the home that they count from, where no line names a key
 * @example chordsOfNumerals("1 6m 4 5", 1) // "G Em C D"
 */
export function chordsOfNumerals(text: string, tonic: Fifths): string | undefined {
  const { chords: symbols } = readChart(text).value;
  // A few numerals are symbols too: b7 is the dominant on B.
  if (symbols.filter(({ chord }) => chord).length * 2 >= symbols.length) return undefined;
  const key = `Key: ${printName(tonic, "ascii")}${MINOR_HOME.test(text) ? "m" : ""}`;
  const chords = withoutNumerals(`${key}\n${text}`).value.slice(1).join("\n");
  return readChart(chords).problems.length > 0 ? undefined : chords;
}

/** The symbols of a line in numerals, with all that stands between them; undefined where it holds anything else. */
function chordsOfLine(
  whole: string,
  key: NumeralKey,
  isNamed: boolean,
  isPlain: boolean,
): string | undefined {
  if (whole.length > MAX_LINE) return undefined;
  const meter = METER.exec(whole)?.[0] ?? "";
  const line = whole.slice(meter.length);
  const words = line.match(/[^\s|]+/gu) ?? [];
  const isFigured = isFiguredLine(words.map(bare));
  const symbolOf = (word: string) => {
    const symbol =
      figuredChord(word, key, isFigured) ??
      romanChord(word, key) ??
      (isNamed ? numberChord(word, key, isPlain) : undefined);
    return symbol !== undefined && "chord" in readSymbol(symbol) ? symbol : undefined;
  };
  const count = words.filter((word) => symbolOf(bare(word)) !== undefined).length;
  const isWhole = words.every((word) => symbolOf(bare(word)) !== undefined || BETWEEN.test(word));
  const brackets = [...line.matchAll(INLINE)].map(([, inside = ""]) => inside.trim());
  if (!isWhole && isNamed && brackets.length > 0 && brackets.every((each) => symbolOf(each) !== undefined))
    return meter + line.replaceAll(INLINE, (_, inside: string) => `[${symbolOf(inside.trim()) ?? inside}]`);
  // "I" alone is a word.
  if (!isWhole || count < (isNamed ? 1 : 2)) return undefined;
  const symbols = line.replaceAll(/[^\s|]+/gu, (word) => {
    const inside = bare(word);
    return word.replace(inside, symbolOf(inside) ?? inside);
  });
  return meter + symbols;
}

/** A meter alone on its line or before the first bar line: not the third degree over the fourth. */
const METER = /^\s*\d{1,2}\/(?:2|4|8|16)\s*(?=\||$)/u;

/** A chord over words. */
const INLINE = /\[([^[\]]+)\]/gu;

/** No line of a chart is longer. */
const MAX_LINE = 2000;
