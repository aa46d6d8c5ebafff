import { atom, type ReadableAtom } from "nanostores";
import { type BackupProblem, readBackup, writeBackup } from "./backup";
import { type Kept, kept, type Settings, settings, type ToKeep, VERSION } from "./records";
import type { RecordStore } from "./store";

const SHELF = "shelf:";
const QUARANTINE = "quarantine:";

/** Deleted things can be brought back for this long. */
export const KEEP_DELETED_DAYS = 30;

/** What came of an import. */
export interface Imported {
  readonly taken: number;
  readonly problems: readonly BackupProblem[];
  readonly settings?: Settings;
}

/** The Shelf: everything kept, deleted things among it until they are too old to bring back. */
export interface Shelf {
  readonly $kept: ReadableAtom<readonly Kept[]>;
  /** False when the browser did not let the last change be saved. */
  readonly $saved: ReadableAtom<boolean>;
  load: () => Promise<void>;
  keep: (thing: ToKeep) => Kept;
  /** Keeps a thing under an id of its own, in place of what was there. */
  keepAs: (id: string, thing: ToKeep) => Kept;
  change: (id: string, part: { title?: string; words?: string }) => void;
  remove: (id: string) => void;
  bringBack: (id: string) => void;
  exportAll: (settings: Settings) => Promise<string>;
  importAll: (text: string) => Promise<Imported>;
}

/** What the Shelf needs from outside, so that it can be tried without a browser. */
export interface ShelfSurroundings {
  readonly store: RecordStore;
  readonly now: () => Date;
  readonly newId: () => string;
  /** Tells the other tabs which record changed. */
  readonly tell?: (id: string) => void;
}

/** Opens a Shelf over a store. */
export function openShelf({ store, now, newId, tell }: ShelfSurroundings): Shelf {
  const $kept = atom<readonly Kept[]>([]);
  const $saved = atom(true);

  /** Changes that the store has not answered for yet. */
  const unsaved = new Map<string, Kept>();

  const put = (thing: Kept) => {
    unsaved.set(thing.id, thing);
    $kept.set([...$kept.get().filter(({ id }) => id !== thing.id), thing].sort(byDate));
    void store.write(SHELF + thing.id, thing).then((saved) => {
      $saved.set(saved);
      if (saved && unsaved.get(thing.id) === thing) unsaved.delete(thing.id);
      tell?.(thing.id);
    });
  };
  const changeKept = (id: string, change: (thing: Kept) => Kept) => {
    const found = $kept.get().find((each) => each.id === id);
    if (found) put({ ...change(found), changedAt: now().toISOString() });
  };
  const quarantined = async () => [...(await store.readAll(QUARANTINE)).values()];

  return {
    $kept,
    $saved,
    load: async () => {
      const things: Kept[] = [];
      const limit = new Date(now().getTime() - KEEP_DELETED_DAYS * 86_400_000).toISOString();
      for (const [key, record] of await store.readAll(SHELF)) {
        const read = kept.safeParse(record);
        if (!read.success) {
          if (await store.write(QUARANTINE + key, record)) await store.remove(key);
        } else if (read.data.deletedAt !== undefined && read.data.deletedAt < limit) {
          await store.remove(key);
        } else {
          things.push(read.data);
        }
      }
      // What was kept while the records were being read is newer than they are.
      const merged = new Map(things.map((thing) => [thing.id, thing]));
      for (const thing of unsaved.values()) merged.set(thing.id, thing);
      $kept.set([...merged.values()].sort(byDate));
    },
    keep: (thing) => {
      const date = now().toISOString();
      const made: Kept = { ...thing, version: VERSION, id: newId(), keptAt: date, changedAt: date };
      put(made);
      return made;
    },
    keepAs: (id, thing) => {
      const date = now().toISOString();
      const before = $kept.get().find((each) => each.id === id);
      const made: Kept = { ...thing, version: VERSION, id, keptAt: before?.keptAt ?? date, changedAt: date };
      put(made);
      return made;
    },
    change: (id, part) => changeKept(id, (thing) => ({ ...thing, ...part })),
    remove: (id) => changeKept(id, (thing) => ({ ...thing, deletedAt: now().toISOString() })),
    bringBack: (id) =>
      changeKept(id, (thing) => {
        const back = { ...thing };
        delete back.deletedAt;
        return back;
      }),
    exportAll: async (settingsNow) =>
      writeBackup(
        $kept.get().filter(({ deletedAt }) => deletedAt === undefined),
        settingsNow,
        await quarantined(),
      ),
    importAll: async (text) => {
      const { value, problems } = readBackup(text);
      if (!value) return { taken: 0, problems };
      const own = new Map($kept.get().map((thing) => [thing.id, thing]));
      const newer = value.shelf.filter((thing) => {
        const mine = own.get(thing.id);
        return !mine || mine.deletedAt !== undefined || mine.changedAt < thing.changedAt;
      });
      for (const thing of newer) put(thing);
      for (const [at, record] of value.quarantine.entries()) {
        await store.write(`${QUARANTINE}import-${now().getTime()}-${at}`, record);
      }
      return { taken: newer.length, problems, settings: settings.parse(value.settings) };
    },
  };
}

const byDate = (a: Kept, b: Kept) =>
  a.keptAt === b.keptAt ? (a.id < b.id ? -1 : 1) : a.keptAt < b.keptAt ? 1 : -1;
