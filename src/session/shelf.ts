import { atom } from "nanostores";
import type { Mode } from "@/core/scale";
import { type Kept, openShelf, type ToKeep } from "@/storage";
import { records } from "./records";

const channel = typeof BroadcastChannel === "undefined" ? undefined : new BroadcastChannel("shade-shelf");

/** The Shelf of this browser. Other tabs are told of every change and read it anew. */
export const shelf = openShelf({
  store: records,
  now: () => new Date(),
  newId: () => crypto.randomUUID(),
  tell: (id) => channel?.postMessage(id),
});

channel?.addEventListener("message", () => void shelf.load());

const wordsId = (mode: Mode) => `words-${mode.id}`;

/** The user's own words and model tune for a mode; empty where there are none. */
export function ownWordsFor(
  mode: Mode,
  all: readonly Kept[],
): { readonly words: string; readonly tune: string } {
  const found = all.find(({ id, deletedAt }) => id === wordsId(mode) && deletedAt === undefined);
  return found?.kind === "words" ? { words: found.words, tune: found.tune } : { words: "", tune: "" };
}

/** Writes the user's words for a mode down; with nothing in them they are deleted, and can be brought back. */
export function setOwnWords(mode: Mode, words: string, tune: string): void {
  if (words === "" && tune === "") shelf.remove(wordsId(mode));
  else shelf.keepAs(wordsId(mode), { kind: "words", title: mode.name, words, mode: mode.id, tune });
}

/** What is about to be kept: the view in front offers it, the Shelf asks for a name and words. */
export const $keeping = atom<ToKeep | undefined>(undefined);
