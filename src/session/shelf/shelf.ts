import { atom } from "nanostores";
import type { Mode } from "@/core/scale";
import { openShelf, type Saved, SHELF, type ToSave } from "@/storage";
import { aside, copyTitle, hearTabs, newId, records, saving, tellCopy, tellTabs } from "../records/records";

/** The Shelf of this browser. Other tabs are told of every change and read it anew. */
export const shelf = openShelf({
  store: records,
  saving,
  aside,
  now: () => new Date(),
  newId,
  copyTitle,
  tell: tellTabs,
  onTwice: ({ title }) => tellCopy(title),
});

hearTabs(async (key) => {
  if (key === SHELF) await shelf.load();
  else if (key.startsWith(SHELF)) await shelf.reload(key);
});

const wordsId = (mode: Mode) => `words-${mode.id}`;

/** The user's own words and model tune for a mode; empty where there are none. */
export function ownWordsFor(
  mode: Mode,
  all: readonly Saved[],
): { readonly words: string; readonly tune: string } {
  const found = all.find(({ id, deletedAt }) => id === wordsId(mode) && deletedAt === undefined);
  return found?.kind === "words" ? { words: found.words, tune: found.tune } : { words: "", tune: "" };
}

/** Writes the user's words for a mode down; with nothing in them they are deleted, and can be brought back. */
export function setOwnWords(mode: Mode, words: string, tune: string): void {
  if (words === "" && tune === "") shelf.remove(wordsId(mode));
  else shelf.saveAs(wordsId(mode), { kind: "words", title: mode.name, words, mode: mode.id, tune });
}

/** What is about to be saved: the view in front offers it, the Shelf asks for a name and words. */
export const $toSave = atom<ToSave | undefined>(undefined);
