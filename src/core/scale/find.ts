import { distance } from "fastest-levenshtein";
import {
  type Fifths,
  fifthsOf,
  maybeDegree,
  maybeFifths,
  maybeFifthsIn,
  type NoteNaming,
  soundOf,
  spellSound,
} from "../pitch";
import {
  CATALOGUE,
  FAMILIES,
  type Family,
  LISTED,
  maybeFamily,
  maybeMode,
  type Mode,
  modeOf,
} from "./catalogue";
import type { HomeMode } from "./count";
import { plainForm } from "./plain-form";
import { holdsAll, size, type PitchClassSet, soundsOf } from "./pitch-class-set";

/** What was looked for, what stands in for it, and whether it is what was asked. */
export interface Nearest<T> {
  readonly asked: string;
  readonly found: T;
  readonly exact: boolean;
}

/** What a name is looked for in: the catalogue first, then what public lists name besides. */
const SEARCHED: readonly Mode[] = [...CATALOGUE, ...LISTED];

const namesOf = (mode: Mode) => [mode.id, mode.name, ...mode.aliases].map(plainForm);

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
export function nearestMode(text: string): Nearest<Mode> {
  const known = maybeMode(text);
  if (known) return { asked: text, found: known, exact: true };
  return nearest(text, SEARCHED, namesOf, CATALOGUE[0] as Mode);
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

/** A mode that a search found, and how: by a name, or because it holds the notes or degrees that were typed. */
export interface FoundMode {
  readonly homeMode: HomeMode;
  readonly by: "name" | "degrees" | "notes";
  /** Notes of the mode that were not asked for; none for a name. */
  readonly more: number;
}

/**
 * What a search means: degrees ("1 2 b3 #4"), notes, the first being home ("E F G# A B"), or the words of a name with a
 * note in front that sets the home ("C# phryg dom"). Best match first; degrees and notes give exact sets before larger
 * ones, and a set without a name stands first as itself.
 *
 * @example findModes("C# phryg dom", 2)[0] // { homeMode: { home: 7, mode: phrygian-dominant }, by: "name", more: 0 }
 */
export function findModes(text: string, home: Fifths, naming: NoteNaming = "english"): readonly FoundMode[] {
  const asked = readSounds(text, naming);
  if (!asked) return findByName(text, home, naming);
  const { homes, by } = asked;
  const on = homes.length > 0 ? homes : [{ home, sounds: asked.sounds }];
  return on.flatMap(({ home: from, sounds }) =>
    modesHolding(sounds).map((mode) => ({
      homeMode: { home: from, mode },
      by,
      more: size(mode.sounds) - size(sounds),
    })),
  );
}

/** Degrees or notes that a text lists, as sounds above home; notes from each of them as home, in the order typed. */
export interface ListedSounds {
  readonly by: "degrees" | "notes";
  readonly sounds: PitchClassSet;
  readonly homes: readonly { readonly home: Fifths; readonly sounds: PitchClassSet }[];
}

/**
 * Reads a list of degrees or of notes, parted by spaces, commas or semicolons; undefined where it is neither, or is a
 * single one. A note in front of degrees is their home.
 *
 * @example readSounds("E F G# A B")?.homes[0] // { home: 4, sounds: 0, 1, 4, 5 and 7 }
 */
export function readSounds(text: string, naming: NoteNaming = "english"): ListedSounds | undefined {
  const words = text.split(/[\s,;]+/u).filter((word) => word !== "");
  if (words.length < 2) return undefined;
  const notes = words.map((word) => maybeFifthsIn(word, naming));
  if (notes.every((note) => note !== undefined)) {
    const unique = [...new Map(notes.map((note) => [soundOf(note), note])).values()];
    if (unique.length < 2) return undefined;
    const homes = unique.map((home) => ({ home, sounds: soundsOf(unique.map((note) => note - home)) }));
    return { by: "notes", sounds: homes[0]?.sounds ?? 1, homes };
  }
  const [first] = notes;
  const degrees = (first === undefined ? words : words.slice(1)).map(maybeDegree);
  if (!degrees.every((degree) => degree !== undefined)) return undefined;
  const sounds = soundsOf([0, ...degrees]);
  if (size(sounds) < 2) return undefined;
  return { by: "degrees", sounds, homes: first === undefined ? [] : [{ home: first, sounds }] };
}

/** The named modes that hold a set, the smallest first; the set itself leads, named or not. */
function modesHolding(sounds: PitchClassSet): readonly Mode[] {
  const itself = modeOf(sounds);
  const larger = CATALOGUE.filter((mode) => mode !== itself && holdsAll(mode.sounds, sounds));
  return [itself, ...larger.toSorted((a, b) => size(a.sounds) - size(b.sounds))];
}

function findByName(text: string, home: Fifths, naming: NoteNaming): readonly FoundMode[] {
  const [first = "", ...rest] = text.trim().split(/\s+/);
  const named = maybeFifthsIn(first, naming);
  const words = (named === undefined ? [first, ...rest] : rest).map(plainForm).filter((word) => word !== "");
  const on = named ?? home;
  const itself = maybeMode((named === undefined ? [first, ...rest] : rest).join(""));
  const scored = SEARCHED.flatMap((mode) => {
    const names = namesOf(mode);
    const hits = names.filter((name) => words.every((word) => name.includes(word)));
    if (hits.length === 0) return [];
    const isExact = hits.includes(words.join(""));
    const starts = words[0] !== undefined && hits.some((hit) => hit.startsWith(words[0] ?? ""));
    return [{ mode, score: (starts ? 0 : 1) + (isExact ? -1 : 0) }];
  });
  const found = scored.sort((a, b) => a.score - b.score).map(({ mode }) => mode);
  return [...(itself && !found.includes(itself) ? [itself] : []), ...found].map((mode) => ({
    homeMode: { home: on, mode },
    by: "name",
    more: 0,
  }));
}
