import type { Saved } from "./saved";

/** In which order the things of the Shelf stand. */
export const SHELF_ORDERS = ["newest", "oldest", "changed", "title"] as const;
export type ShelfOrder = (typeof SHELF_ORDERS)[number];

/** What is looked for on the Shelf. */
export interface ShelfQuery {
  /** Words that must all be in it, in its title, the user's words, its tags, or what it is. */
  readonly text: string;
  /** Tags that it must all have. */
  readonly tags: readonly string[];
  /** Where it lies: a folder, "" for the Shelf itself, everywhere where it is left out. */
  readonly folder?: string | undefined;
  readonly order: ShelfOrder;
}

/** A text as it is compared: without case, accents and signs. */
const plain = (text: string): string =>
  text.normalize("NFKD").replaceAll(/\p{M}/gu, "").replaceAll("♭", "b").replaceAll("♯", "#").toLowerCase();

/** Tags in use, the most used first. */
export function tagsOf(things: readonly Saved[]): readonly string[] {
  const counts = new Map<string, number>();
  for (const { tags = [] } of things) for (const tag of tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts].toSorted(([a, m], [b, n]) => n - m || a.localeCompare(b)).map(([tag]) => tag);
}

/** Folders in use, by their names, with how many things lie in each. */
export function foldersOf(
  things: readonly Saved[],
): readonly { readonly name: string; readonly count: number }[] {
  const counts = new Map<string, number>();
  for (const { folder } of things)
    if (folder !== undefined) counts.set(folder, (counts.get(folder) ?? 0) + 1);
  return [...counts]
    .map(([name, count]) => ({ name, count }))
    .toSorted((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
}

/** The name of a folder as it was typed: without spaces around, undefined where nothing is left. */
export const readFolder = (text: string, longest: number): string | undefined =>
  text.trim().replaceAll(/\s+/gu, " ").slice(0, longest).trim() || undefined;

/**
 * Tags out of what was typed, with commas between them: each once, without spaces around, none longer or more than there may be.
 *
 * @example readTags("gate,  scene one, gate") // ["gate", "scene one"]
 */
export function readTags(text: string, most: number, longest: number): readonly string[] {
  const all = text.split(/[,;\n]/u).map((tag) => tag.trim().replaceAll(/\s+/gu, " ").slice(0, longest));
  return [...new Set(all.filter((tag) => tag !== ""))].slice(0, most);
}

/**
 * The things that answer a query, in its order.
 *
 * @param line what a thing is, in a line
 */
export function foundOn(
  things: readonly Saved[],
  { text, tags, folder, order }: ShelfQuery,
  line: (thing: Saved) => string,
): readonly Saved[] {
  const words = plain(text)
    .split(/\s+/u)
    .filter((word) => word !== "");
  const found = things.filter((thing) => {
    const itsTags = thing.tags ?? [];
    if (!tags.every((tag) => itsTags.includes(tag))) return false;
    if (folder !== undefined && (thing.folder ?? "") !== folder) return false;
    if (words.length === 0) return true;
    const all = plain([thing.title, thing.words, ...itsTags, line(thing)].join("\n"));
    return words.every((word) => all.includes(word));
  });
  return order === "newest" ? found : found.toSorted(BY[order]);
}

const BY: Readonly<Record<Exclude<ShelfOrder, "newest">, (a: Saved, b: Saved) => number>> = {
  oldest: (a, b) => (a.savedAt < b.savedAt ? -1 : 1),
  changed: (a, b) => (a.changedAt < b.changedAt ? 1 : -1),
  title: (a, b) => a.title.localeCompare(b.title, undefined, { numeric: true }),
};
