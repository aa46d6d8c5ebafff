import { atom, type ReadableAtom } from "nanostores";
import type { Saving } from "./saving";
import type { RecordStore } from "./store";
import { isFields, type NotUnderstood } from "./versioned";

const ASIDE = "aside:";

/** Where version 1 put what it couldn't read. */
const QUARANTINE = "quarantine:";

/** A record that couldn't be read, as it was found. */
export interface AsideRecord {
  /** Its own key, among those set aside. */
  readonly key: string;
  /** The key that it lay under, or "import" where it came in a file. */
  readonly from: string;
  readonly why: NotUnderstood;
  readonly record: unknown;
}

/** Records set aside: seen, exported, repaired or deleted by the user, and never by themselves. */
export interface Aside {
  readonly $records: ReadableAtom<readonly AsideRecord[]>;
  /** How many were set aside since the page was opened: those that the user hasn't been told of. */
  readonly $new: ReadableAtom<number>;
  load: () => Promise<void>;
  /** Sets a record aside; one that entry there already is not set aside twice. Resolves once it is written. */
  put: (from: string, record: unknown, why: NotUnderstood) => Promise<void>;
  remove: (key: string) => Promise<void>;
}

/** Opens what was set aside in a store. */
export function openAside(store: RecordStore, saving: Saving): Aside {
  const $records = atom<readonly AsideRecord[]>([]);
  const $new = atom(0);
  const put: Aside["put"] = async (from, record, why) => {
    const text = JSON.stringify(record);
    const all = $records.get();
    if (all.some((each) => each.from === from && JSON.stringify(each.record) === text)) return;
    const taken = new Set(all.map(({ key }) => key));
    let key = `${ASIDE}${from}`;
    for (let n = 2; taken.has(key); n++) key = `${ASIDE}${from} ${n}`;
    $records.set([...all, { key, from, why, record }]);
    $new.set($new.get() + 1);
    await saving.save(key, () => store.write(key, { from, why, record }));
  };
  return {
    $records,
    $new,
    load: async () => {
      const found = [...(await store.readAll(ASIDE))].map(([key, entry]): AsideRecord => {
        const { from, why, record } = isFields(entry) ? entry : { from: key, why: "broken", record: entry };
        return {
          key,
          from: typeof from === "string" ? from : key,
          why: why === "newer" ? "newer" : "broken",
          record,
        };
      });
      $records.set(found);
      for (const [key, record] of await store.readAll(QUARANTINE)) {
        await put(key.slice(QUARANTINE.length), record, "broken");
        await saving.save(key, () => store.remove(key));
      }
    },
    put,
    remove: async (key) => {
      await saving.save(key, () => store.remove(key));
      // It is gone when storage has said so.
      $records.set($records.get().filter((each) => each.key !== key));
    },
  };
}
