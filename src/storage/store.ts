import localforage from "localforage";

/** Where records lie: one record a key. Every answer is a promise that may be refused, or never come. */
export interface RecordStore {
  /** Null where there is none. */
  read: (key: string) => Promise<unknown>;
  readAll: (prefix: string) => Promise<ReadonlyMap<string, unknown>>;
  write: (key: string, record: unknown) => Promise<void>;
  /** Writes several, side by side. */
  writeAll: (records: ReadonlyMap<string, unknown>) => Promise<void>;
  remove: (key: string) => Promise<void>;
}

/** The browser's store under a name. Stores of other names are not read with it, however large their records are. */
export function browserStore(name: string): RecordStore {
  const forage = localforage.createInstance({ name, storeName: "records" });
  const write = async (key: string, record: unknown) => {
    await forage.setItem(key, record);
  };
  return {
    read: (key) => forage.getItem(key),
    readAll: async (prefix) => {
      const found = new Map<string, unknown>();
      await forage.iterate((record, key) => {
        if (key.startsWith(prefix)) found.set(key, record);
      });
      return found;
    },
    write,
    writeAll: async (records) => {
      await Promise.all([...records].map(([key, record]) => write(key, record)));
    },
    remove: (key) => forage.removeItem(key),
  };
}
