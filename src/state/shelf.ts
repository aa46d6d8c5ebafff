import { atom } from "nanostores";
import { openShelf, type ToKeep } from "@/store";
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

/** What is about to be kept: the view in front offers it, the Shelf asks for a name and words. */
export const $keeping = atom<ToKeep | undefined>(undefined);
