import {
  accidentalsOf,
  type Fifths,
  type Interval,
  maybeFifths,
  maybeFifthsIn,
  modulo,
  type NameForm,
  type NoteNaming,
  printName,
  typedName,
} from "../pitch";
import { chartTokens } from "./chart-tokens";
import { chordNotes } from "./chord";
import { partsOfSymbol, readSymbol } from "./read";

const formOf = (text: string): NameForm => (/[♯♭𝄪𝄫]/u.test(text) ? "signs" : "ascii");

/** A name in a form, in lower case where the one before was. */
function writtenLike(name: Fifths, before: string, form: NameForm): string {
  const next = printName(name, form);
  return /^[a-g]/u.test(before) ? next.charAt(0).toLowerCase() + next.slice(1) : next;
}

/** A symbol moved by an interval, its quality as it was written; what cannot be read stays as it is. */
function transposeSymbol(symbol: string, by: Interval, form = formOf(symbol)): string {
  const parts = partsOfSymbol(symbol);
  if (!parts) return symbol;
  const { root, quality, bass } = parts;
  const moved = (text: string) => writtenLike((maybeFifths(text) ?? 0) + by, text, form);
  return moved(root) + quality + (bass === undefined ? "" : `/${moved(bass)}`);
}

/**
 * A chart moved by an interval: roots, basses and homes set by hand; all else, what cannot be read among it, stays as it was
 * typed.
 *
 * @example transposeChart("| Em9 | A13 | {E Dorian}", -7) // "| Ebm9 | Ab13 | {Eb Dorian}"
 */
export function transposeChart(text: string, by: Interval): string {
  const form = formOf(text);
  return withNames(
    text,
    "english",
    (symbol) => transposeSymbol(symbol, by, form),
    (home) => {
      const name = maybeFifths(home);
      return name === undefined ? home : writtenLike(name + by, home, form);
    },
  );
}

/** A chart with its symbols and the homes set by hand written anew, and nothing else of it changed. */
function withNames(
  text: string,
  naming: NoteNaming,
  symbolAs: (symbol: string) => string,
  homeAs: (home: string) => string,
): string {
  let written = "";
  let at = 0;
  for (const { kind, text: token, offset } of chartTokens(text, naming)) {
    written += text.slice(at, offset);
    at = offset + token.length;
    if (kind === "other") written += symbolAs(token);
    else if (kind === "lock")
      written += token.replace(
        /^(\{\s*)([^\s}]+)/u,
        (_, brace: string, home: string) => brace + homeAs(home),
      );
    else written += token;
  }
  return written + text.slice(at);
}

/**
 * A chord symbol in other note names; what cannot be read stays as it is.
 *
 * @example renamedSymbol("Bm7/F#", "english", "german") // "Hm7/F#"
 */
export function renamedSymbol(symbol: string, from: NoteNaming, to: NoteNaming): string {
  const parts = partsOfSymbol(symbol, from);
  if (!parts) return symbol;
  // A name that means the same in both stays as it was typed.
  const renamed = (text: string) => {
    const name = maybeFifthsIn(text, from);
    const isPlain =
      name !== undefined && maybeFifthsIn(text, to) === name && typedName(name, to) === printName(name);
    return name === undefined || isPlain ? text : typedName(name, to);
  };
  return renamed(parts.root) + parts.quality + (parts.bass === undefined ? "" : `/${renamed(parts.bass)}`);
}

/**
 * A chart in other note names: roots, basses and homes set by hand; all else stays as it was typed.
 *
 * @example renamedChart("| Bm | {Bb} |", "english", "german") // "| Hm | {B} |"
 */
export const renamedChart = (text: string, from: NoteNaming, to: NoteNaming): string =>
  from === to
    ? text
    : withNames(
        text,
        from,
        (symbol) => renamedSymbol(symbol, from, to),
        (home) => renamedSymbol(home, from, to),
      );

/**
 * The interval by which a chart goes up by half steps with the fewest accidentals in its chords; on a tie the sharp one.
 *
 * @example plainestInterval("| Em9 | A13 |", 2) // 2: F♯m9 and B13, not G♭m9
 */
export function plainestInterval(text: string, halfSteps: number): Interval {
  const notes = chartTokens(text).flatMap(({ kind, text: symbol }) => {
    const reading = kind === "other" ? readSymbol(symbol) : undefined;
    return reading && "chord" in reading ? chordNotes(reading.chord) : [];
  });
  const cost = (by: Interval) => notes.reduce((sum, note) => sum + Math.abs(accidentalsOf(note + by)), 0);
  const sharp = modulo(halfSteps * 7, 12);
  return [sharp, sharp - 12].reduce((best, by) => (cost(by) < cost(best) ? by : best));
}
