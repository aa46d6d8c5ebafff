import localforage from "localforage";

/** Where records lie: one record a key. Reading never throws; writing tells whether it worked. */
export interface RecordStore {
  read: (key: string) => Promise<unknown>;
  readAll: (prefix: string) => Promise<ReadonlyMap<string, unknown>>;
  write: (key: string, record: unknown) => Promise<boolean>;
  remove: (key: string) => Promise<boolean>;
}

/**
 * The browser's store. Saves are queued one behind another and the last write of a key wins; a store that the browser
 * denies (private window, full disk) answers false and the application goes on in memory.
 */
export function browserStore(name = "shade"): RecordStore {
  const forage = localforage.createInstance({ name, storeName: "records" });
  const waiting = new Map<string, unknown>();
  let queue: Promise<unknown> = Promise.resolve();

  const enqueue = (act: () => Promise<unknown>): Promise<boolean> => {
    const done = queue.then(act).then(
      () => true,
      () => false,
    );
    queue = done;
    return done;
  };

  return {
    read: (key) => forage.getItem(key).catch(() => null),
    readAll: async (prefix) => {
      const found = new Map<string, unknown>();
      try {
        const keys = await forage.keys();
        for (const key of keys.filter((each) => each.startsWith(prefix)))
          found.set(key, await forage.getItem(key));
      } catch {
        return found;
      }
      return found;
    },
    write: (key, record) => {
      waiting.set(key, record);
      return enqueue(async () => {
        if (!waiting.has(key)) return;
        const latest = waiting.get(key);
        waiting.delete(key);
        await forage.setItem(key, latest);
      });
    },
    remove: (key) => {
      waiting.delete(key);
      return enqueue(() => forage.removeItem(key));
    },
  };
}
