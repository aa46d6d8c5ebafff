import { atom, type ReadableAtom } from "nanostores";
import type { Aside } from "./aside";
import type { Saving } from "./saving";
import { mergedSittings, SITTING_VERSION, SITTINGS, type Sitting } from "./sitting";
import type { RecordStore } from "./store";
import { understand } from "./versioned";

export const SITTING = "sitting:";

/** Deleted sittings can be brought back for this long. */
const KEEP_DELETED = 30 * 86_400_000;

/** Everything that was trained and practised, the latest first. */
export interface Sittings {
  readonly $all: ReadableAtom<readonly Sitting[]>;
  load: () => Promise<void>;
  /** Reads one anew: another tab has changed it. */
  reload: (key: string) => Promise<void>;
  begin: (part: Pick<Sitting, "title"> & Partial<Pick<Sitting, "ear" | "played" | "startedAt">>) => Sitting;
  /** Changes one as it is now; nothing where there is none. */
  change: (id: string, part: (now: Sitting) => Partial<Sitting>) => void;
  /** It is over; of one in which nothing was answered or played nothing is left. */
  end: (id: string) => void;
  remove: (id: string) => void;
  bringBack: (id: string) => void;
  /** Takes in what a file has; answers those that were not here. */
  takeIn: (all: readonly Sitting[]) => Promise<readonly Sitting[]>;
  /** Takes out again what a file brought. */
  takeOut: (all: readonly Sitting[]) => Promise<void>;
}

/** What is written down at once, apart from the records, which take their time: a tab may be closed the moment after an answer. */
export interface SittingsJournal {
  readonly read: () => readonly unknown[];
  readonly write: (id: string, sitting: Sitting) => void;
  readonly remove: (id: string) => void;
}

export interface SittingsSurroundings {
  readonly store: RecordStore;
  readonly saving: Saving;
  readonly aside: Aside;
  readonly now: () => Date;
  readonly newId: () => string;
  readonly tell?: (key: string) => void;
  readonly journal?: SittingsJournal;
}

/** Opens the record of what was trained and practised over a store. */
export function openSittings(surroundings: SittingsSurroundings): Sittings {
  const { store, saving, aside, now, newId, tell, journal } = surroundings;
  const $all = atom<readonly Sitting[]>([]);
  const unsaved = new Set<string>();
  const find = (id: string) => $all.get().find((each) => each.id === id);
  const put = (all: Iterable<Sitting>) =>
    $all.set([...all].toSorted((a, b) => (a.startedAt < b.startedAt ? 1 : -1)));
  const show = (some: readonly Sitting[], without: ReadonlySet<string> = new Set()) => {
    const next = new Map($all.get().map((each) => [each.id, each]));
    for (const id of without) next.delete(id);
    for (const each of some) next.set(each.id, each);
    put(next.values());
  };

  /** Writes one; what another tab has answered meanwhile comes in with it. */
  const write = async (id: string) => {
    const sitting = find(id);
    if (!sitting) return;
    const stored = understand(SITTINGS, await store.read(SITTING + id));
    const whole = "value" in stored ? mergedSittings(stored.value, sitting) : sitting;
    await store.write(SITTING + id, whole);
    if (find(id) === sitting) {
      unsaved.delete(id);
      journal?.remove(id);
      if (JSON.stringify(whole) !== JSON.stringify(sitting)) show([whole]);
    }
    tell?.(SITTING + id);
  };
  const save = (each: Sitting): Sitting => {
    unsaved.add(each.id);
    journal?.write(each.id, each);
    show([each]);
    void saving.save(SITTING + each.id, () => write(each.id));
    return each;
  };
  const change: Sittings["change"] = (id, part) => {
    const sitting = find(id);
    if (sitting) save({ ...sitting, ...part(sitting), changedAt: now().toISOString() });
  };

  return {
    $all,
    load: async () => {
      const found: Sitting[] = [];
      const limit = new Date(now().getTime() - KEEP_DELETED).toISOString();
      for (const [key, record] of await store.readAll(SITTING)) {
        const read = understand(SITTINGS, record);
        if (!("value" in read)) {
          await aside.put(key, record, read.why);
          await store.remove(key);
        } else if (read.value.deletedAt !== undefined && read.value.deletedAt < limit)
          await store.remove(key);
        else found.push(read.value);
      }
      // At once, so that a sitting that goes on isn't gone for a moment.
      const begun = $all.get().filter(({ id }) => unsaved.has(id));
      put(new Map([...found, ...begun].map((each) => [each.id, each])).values());
      // What a tab had no time to write before it was closed.
      for (const entry of journal?.read() ?? []) {
        const read = understand(SITTINGS, entry);
        if (!("value" in read)) continue;
        const ours = find(read.value.id);
        save(ours ? mergedSittings(ours, read.value) : read.value);
      }
    },
    reload: async (key) => {
      const id = key.slice(SITTING.length);
      const read = understand(SITTINGS, await store.read(key));
      const sitting = find(id);
      if ("value" in read)
        show([sitting && unsaved.has(id) ? mergedSittings(read.value, sitting) : read.value]);
      else if (!unsaved.has(id)) show([], new Set([id]));
    },
    begin: (part) => {
      const date = now().toISOString();
      return save({
        version: SITTING_VERSION,
        id: newId(),
        startedAt: date,
        changedAt: date,
        words: "",
        played: [],
        ...part,
      });
    },
    change,
    end: (id) =>
      change(id, ({ ear, played }) =>
        (ear?.attempts.length ?? 0) + played.length === 0
          ? { deletedAt: now().toISOString() }
          : { endedAt: now().toISOString() },
      ),
    remove: (id) => change(id, () => ({ deletedAt: now().toISOString() })),
    bringBack: (id) => change(id, () => ({ deletedAt: undefined })),
    takeIn: async (all) => {
      const fresh = all.filter(({ id }) => !find(id));
      const both = all.flatMap((theirs) => {
        const ours = find(theirs.id);
        return ours ? [mergedSittings(ours, theirs)] : [];
      });
      await saving.save(`${SITTING} many`, () =>
        store.writeAll(new Map([...fresh, ...both].map((each) => [SITTING + each.id, each]))),
      );
      show([...fresh, ...both]);
      tell?.(SITTING);
      return fresh;
    },
    takeOut: async (all) => {
      const ids = new Set(all.map(({ id }) => id));
      await saving.save(`${SITTING} many`, async () => {
        await Promise.all([...ids].map((id) => store.remove(SITTING + id)));
      });
      show([], ids);
      tell?.(SITTING);
    },
  };
}
