import { openShelf } from "@/store";
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
