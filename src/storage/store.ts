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
  const forage = localforage.createInstance({ name, storeName: RECORDS });
  const write = async (key: string, record: unknown) => {
    await forage.setItem(key, record);
  };
  return {
    read: (key) => forage.getItem(key),
    readAll: async (prefix) => {
      // The store is made by now, under the same name.
      await forage.ready();
      if (forage.driver() === localforage.INDEXEDDB) return readRange(name, prefix);
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

const RECORDS = "records";

/** Reads a range of keys in one request: the library would go from record to record, which takes ten times as long. */
function readRange(name: string, prefix: string): Promise<ReadonlyMap<string, unknown>> {
  return new Promise((resolve, reject) => {
    const opening = indexedDB.open(name);
    const refuse = () => reject(opening.error ?? new Error(`the store ${name} can't be read`));
    opening.onerror = refuse;
    opening.onsuccess = () => {
      const database = opening.result;
      const reading = database.transaction(RECORDS).objectStore(RECORDS);
      const range = IDBKeyRange.bound(prefix, `${prefix}\uffff`);
      const [keys, values] = [reading.getAllKeys(range), reading.getAll(range)];
      reading.transaction.oncomplete = () => {
        database.close();
        resolve(new Map((keys.result as string[]).map((key, at) => [key, values.result[at] as unknown])));
      };
      reading.transaction.onabort = () => {
        database.close();
        refuse();
      };
    };
  });
}
