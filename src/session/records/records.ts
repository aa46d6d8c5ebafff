import { atom } from "nanostores";
import { browserStore, holdInAllTabs, openAside, openSaving, otherTabs } from "@/storage";

/** The browser's records: the Shelf, the settings, which documents there are, and what was set aside. */
export const records = browserStore("shade");

/** The values of documents, apart, since they may be large. */
export const documentValues = browserStore("shade-documents");

/** What has yet to be written. Nothing is called saved before storage has said so. */
export const saving = openSaving({ hold: holdInAllTabs });

export const aside = openAside(records, saving);

const tabs = otherTabs();
const listeners = new Set<(key: string) => Promise<void>>();
tabs.hear((key) => {
  for (const listen of listeners) void listen(key).catch(() => undefined);
});

/** Tells the other tabs which record changed. */
export const tellTabs = (key: string): void => tabs.tell(key);

/** Hears from the other tabs which record changed. */
export const hearTabs = (listen: (key: string) => Promise<void>): void => void listeners.add(listen);

/** The name of the second of two where two tabs changed one thing. */
export const copyTitle = (title: string): string => `${title.slice(0, 200)} (from another tab)`;

/** What two tabs changed at once, by the title of the copy: said until it is dismissed. */
export const $copies = atom<readonly string[]>([]);
export const tellCopy = (title: string): void => $copies.set([...$copies.get(), title]);

/** A name that nothing else has; `randomUUID` is there on secure pages alone. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return [...bytes].map((byte) => byte.toString(36).padStart(2, "0")).join("");
}
