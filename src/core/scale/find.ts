import { type Fifths, fifthsOf, maybeFifths, spellSound, soundOf } from "../pitch";
import { CATALOGUE, FAMILIES, type Family, maybeFamily, maybeMode, type NamedMode } from "./catalogue";
import type { HomeMode } from "./count";

/** What was looked for, what stands in for it, and whether it is what was asked. */
export interface Nearest<T> {
  readonly asked: string;
  readonly found: T;
  readonly exact: boolean;
}

/** A name in the form that is compared: lower case, signs as letters, no spaces or hyphens. */
function plainForm(text: string): string {
  return text
    .toLowerCase()
    .replaceAll("♭♭", "doubleflat")
    .replaceAll("♯", "sharp")
    .replaceAll("♭", "flat")
    .replaceAll("♮", "natural")
    .replaceAll(/#(?=\d)/g, "sharp")
    .replaceAll(/b(?=\d)/g, "flat")
    .replaceAll(/[\s\-_]/g, "");
}

const namesOf = (mode: NamedMode) => [mode.id, mode.name, ...mode.aliases].map(plainForm);

/** Single-letter insertions, deletions and replacements between two texts (Levenshtein 1966). */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, at) => at);
  for (const [i, letter] of [...a].entries()) {
    const next = [i + 1];
    for (let j = 0; j < b.length; j += 1) {
      const replaced = (row[j] ?? 0) + (letter === b[j] ? 0 : 1);
      next.push(Math.min(replaced, (row[j + 1] ?? 0) + 1, (next[j] ?? 0) + 1));
    }
    row = next;
  }
  return row[b.length] ?? 0;
}

function nearest<T>(
  asked: string,
  items: readonly T[],
  names: (item: T) => readonly string[],
  otherwise: T,
): Nearest<T> {
  const text = plainForm(asked).slice(0, 60);
  let best = { item: otherwise, away: Infinity };
  for (const item of items) {
    for (const name of names(item)) {
      const away =
        name.startsWith(text) && text.length > 2 ? 0.5 : distance(text, name) / Math.max(name.length, 1);
      if (name === text) return { asked, found: item, exact: true };
      if (away < best.away) best = { item, away };
    }
  }
  return { asked, found: best.away <= 0.5 ? best.item : otherwise, exact: false };
}

/** The mode that a text names by id, name or alias, or the nearest in spelling; Ionian where nothing is near. */
export function nearestMode(text: string): Nearest<NamedMode> {
  const known = maybeMode(text);
  if (known) return { asked: text, found: known, exact: true };
  return nearest(text, CATALOGUE, namesOf, CATALOGUE[0] as NamedMode);
}

/** The parent scale that a text names, or the nearest in spelling; major where nothing is near. */
export function nearestFamily(text: string): Nearest<Family> {
  const known = maybeFamily(text);
  if (known) return { asked: text, found: known, exact: true };
  return nearest(text, FAMILIES, (each) => [plainForm(each.id)], FAMILIES[0] as Family);
}

/** As far as names are read: triple sharps and beyond are taken as their simplest equal. */
const FARTHEST = 19;

/**
 * The home that a text names. A German H is B; names past double sharps and flats become the simplest name that
 * sounds the same; text that begins with a letter A to G gives that letter; anything else gives D, where modes are
 * symmetrical about the keyboard.
 */
export function nearestHome(text: string): Nearest<Fifths> {
  const found = maybeFifths(text);
  if (found !== undefined) {
    const near = Math.abs(found) <= FARTHEST;
    return { asked: text, found: near ? found : spellSound(soundOf(found)), exact: near };
  }
  if (/^h$/i.test(text.trim())) return { asked: text, found: fifthsOf("B"), exact: false };
  const letter = /^\s*([A-Ga-g])/.exec(text)?.[1];
  return { asked: text, found: fifthsOf(letter ?? "D"), exact: false };
}

/**
 * Modes whose id, name or alias holds the words of a search, best match first; a note name in front sets the home.
 *
 * @example findModes("C# phryg dom") // [{ home: 7, mode: phrygian-dominant }]
 */
export function findModes(text: string, home: Fifths): readonly HomeMode[] {
  const [first = "", ...rest] = text.trim().split(/\s+/);
  const named = maybeFifths(first);
  const words = (named === undefined ? [first, ...rest] : rest).map(plainForm).filter((word) => word !== "");
  const on = named ?? home;
  const scored = CATALOGUE.flatMap((mode) => {
    const names = namesOf(mode);
    const hit = names.find((name) => words.every((word) => name.includes(word)));
    if (hit === undefined) return [];
    const starts = words[0] !== undefined && hit.startsWith(words[0]);
    return [{ mode, score: (starts ? 0 : 1) + (hit === words.join("") ? -1 : 0) }];
  });
  return scored.sort((a, b) => a.score - b.score).map(({ mode }) => ({ home: on, mode }));
}
