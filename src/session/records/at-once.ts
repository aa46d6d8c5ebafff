/**
 * The browser's small store, which is written before a page is left: what the records take their time for stands there until they have it.
 * Where it is refused nothing is thrown, since all of it is in the hands of the records too.
 */
export const atOnce = {
  /** Everything under a prefix, by what follows it; what can't be read is undefined. */
  under: (prefix: string): readonly { readonly id: string; readonly entry: unknown }[] => {
    const found: { id: string; entry: unknown }[] = [];
    try {
      for (const key of Object.keys(localStorage).filter((each) => each.startsWith(prefix)))
        found.push({ id: key.slice(prefix.length), entry: parsed(localStorage.getItem(key)) });
    } catch {
      // Without this store nothing was written there.
    }
    return found;
  },
  write: (key: string, entry: unknown): void => {
    try {
      localStorage.setItem(key, JSON.stringify(entry));
    } catch {
      // What is too long for it is in the hands of the records alone.
    }
  },
  remove: (key: string): void => {
    try {
      localStorage.removeItem(key);
    } catch {
      // There is nothing to remove.
    }
  },
};

function parsed(text: string | null): unknown {
  try {
    return JSON.parse(text ?? "");
  } catch {
    return undefined;
  }
}
