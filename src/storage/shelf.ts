import { atom, type ReadableAtom } from "nanostores";
import type { Aside } from "./aside";
import { rememberingEarlier } from "./earlier";
import {
  bySavedAt,
  contentOf,
  MAX_REVISIONS,
  revisionOf,
  SAVED,
  SAVED_VERSION,
  type Saved,
  type ToSave,
} from "./saved";
import type { Saving } from "./saving";
import type { RecordStore } from "./store";
import { understand } from "./versioned";

export const SHELF = "shelf:";

/** Deleted things can be brought back for this long. */
export const KEEP_DELETED_DAYS = 30;

/** Things that are read or written before the page may draw again. */
const STRETCH = 1000;

/** What putting many things on the Shelf changed, so that it can be undone in one step. */
export interface PutStep {
  /** What is in: fewer than were given where it was called off. */
  readonly put: readonly Saved[];
  /** What was there before under their ids. */
  readonly before: readonly Saved[];
}

/** The Shelf: everything saved, deleted things among it until they are too old to bring back. */
export interface Shelf {
  readonly $saved: ReadableAtom<readonly Saved[]>;
  /** Things that storage hasn't taken yet. */
  readonly $unsaved: ReadableAtom<ReadonlySet<string>>;
  load: () => Promise<void>;
  /** Reads a thing anew: another tab has changed it. */
  reload: (key: string) => Promise<void>;
  save: (thing: ToSave) => Saved;
  /** Saves a thing under an id of its own, in place of what was there. */
  saveAs: (id: string, thing: ToSave) => Saved;
  /** Changes a thing as it was when the user began: what another tab has made of it since is kept beside. */
  change: (opened: Saved, part: Partial<Pick<Saved, "title" | "words" | "tags" | "folder">>) => void;
  /** Puts a thing back into a state that it was in; what it is now is remembered in its turn. */
  putBack: (state: Saved) => void;
  remove: (id: string) => void;
  bringBack: (id: string) => void;
  /** Puts things as they are, in stretches; what there is under their ids makes way. */
  putAll: (
    things: readonly Saved[],
    watch?: { readonly onProgress?: (count: number) => void; readonly signal?: AbortSignal },
  ) => Promise<PutStep>;
  undoPut: (step: PutStep) => Promise<void>;
}

/** What the Shelf needs from outside, so that it can be tried without a browser. */
export interface ShelfSurroundings {
  readonly store: RecordStore;
  readonly saving: Saving;
  readonly aside: Aside;
  readonly now: () => Date;
  readonly newId: () => string;
  /** What the second of two is called where two tabs changed one thing. */
  readonly copyTitle: (title: string) => string;
  /** Tells the other tabs which record changed. */
  readonly tell?: (key: string) => void;
  /** Two tabs changed one thing: both are kept. */
  readonly onTwice?: (copy: Saved) => void;
}

/** Opens a Shelf over a store. */
export function openShelf(surroundings: ShelfSurroundings): Shelf {
  const { store, saving, aside, now, newId, copyTitle, tell, onTwice } = surroundings;
  const $saved = atom<readonly Saved[]>([]);
  /** Changes that storage hasn't answered for. */
  const unsaved = new Map<string, Saved>();
  const $unsaved = atom<ReadonlySet<string>>(new Set());

  const find = (id: string) => $saved.get().find((each) => each.id === id);
  const show = (things: readonly Saved[], without: ReadonlySet<string> = new Set()) => {
    const next = new Map($saved.get().map((each) => [each.id, each]));
    for (const id of without) next.delete(id);
    for (const each of things) next.set(each.id, each);
    $saved.set([...next.values()].toSorted(bySavedAt));
  };
  const tellUnsaved = () => $unsaved.set(new Set(unsaved.keys()));

  /** Writes a thing; where another tab has changed it meanwhile, both stay. */
  const write = async (id: string) => {
    const thing = unsaved.get(id);
    if (!thing) return;
    const understood = understand(SAVED, await store.read(SHELF + id));
    const stored = "value" in understood ? understood.value : undefined;
    const isOwn = !stored || thing.revisions.includes(revisionOf(stored));
    if (isOwn || stored.deletedAt !== undefined || contentOf(stored) === contentOf(thing)) {
      await store.write(SHELF + id, thing);
      if (unsaved.get(id) === thing) unsaved.delete(id);
    } else {
      show([stored]);
      // What the other tab has changed isn't deleted here.
      if (thing.deletedAt === undefined) {
        const copy: Saved = { ...thing, id: newId(), title: copyTitle(thing.title) };
        await store.write(SHELF + copy.id, copy);
        show([copy]);
        tell?.(SHELF + copy.id);
        onTwice?.(copy);
      }
      unsaved.delete(id);
    }
    tellUnsaved();
    tell?.(SHELF + id);
  };

  const put = (thing: Saved): Saved => {
    unsaved.set(thing.id, thing);
    tellUnsaved();
    show([thing]);
    void saving.save(SHELF + thing.id, () => write(thing.id));
    return thing;
  };
  /** A thing's next state. */
  const next = (thing: Saved): Saved => ({
    ...thing,
    changedAt: now().toISOString(),
    revisions: [...thing.revisions, newId()].slice(-MAX_REVISIONS),
  });
  const make = (id: string, thing: ToSave, before: Saved | undefined): Saved => {
    const date = now().toISOString();
    const { savedAt, revisions } = before ?? { savedAt: date, revisions: [] };
    // What is saved anew under its id stays where it lies, with its tags.
    const { tags, folder } = before ?? {};
    const filing = { ...(tags ? { tags } : {}), ...(folder === undefined ? {} : { folder }) };
    const made = next({
      ...filing,
      ...thing,
      version: SAVED_VERSION,
      id,
      savedAt,
      changedAt: date,
      revisions,
    });
    return before ? rememberingEarlier(before, made) : made;
  };

  return {
    $saved,
    $unsaved,
    load: async () => {
      const things: Saved[] = [];
      const limit = new Date(now().getTime() - KEEP_DELETED_DAYS * 86_400_000).toISOString();
      let count = 0;
      for (const [key, record] of await store.readAll(SHELF)) {
        if (++count % STRETCH === 0) await turn();
        const read = understand(SAVED, record);
        if (!("value" in read)) {
          await aside.put(key, record, read.why);
          await store.remove(key);
        } else if (read.value.deletedAt !== undefined && read.value.deletedAt < limit) {
          await store.remove(key);
        } else {
          things.push(read.value);
        }
      }
      // What was saved while the records were being read is newer than they are; what another tab took away goes.
      const all = new Map([...things, ...unsaved.values()].map((each) => [each.id, each]));
      $saved.set([...all.values()].toSorted(bySavedAt));
    },
    reload: async (key) => {
      const id = key.slice(SHELF.length);
      if (unsaved.has(id)) return;
      const record = await store.read(key);
      const read = understand(SAVED, record);
      if ("value" in read) show([read.value]);
      else if (record === null) show([], new Set([id]));
    },
    save: (thing) => put(make(newId(), thing, undefined)),
    saveAs: (id, thing) => put(make(id, thing, find(id))),
    change: (opened, part) => {
      put(rememberingEarlier(opened, next(undeleted({ ...opened, ...part }))));
    },
    putBack: (state) => {
      const now = find(state.id);
      if (now) put(rememberingEarlier(now, next(undeleted({ ...state, revisions: now.revisions }))));
    },
    remove: (id) => {
      const thing = find(id);
      if (thing) put(next({ ...thing, deletedAt: now().toISOString() }));
    },
    bringBack: (id) => {
      const thing = find(id);
      if (thing) put(next(undeleted(thing)));
    },
    putAll: async (things, { onProgress, signal } = {}) => {
      const byId = new Map($saved.get().map((each) => [each.id, each]));
      const put: Saved[] = [];
      // Storage that refuses is not waited for by somebody who calls it off.
      signal?.addEventListener("abort", saving.retry);
      for (let from = 0; from < things.length && signal?.aborted !== true; from += STRETCH) {
        const some = things.slice(from, from + STRETCH);
        const stretch = { isWritten: false };
        await saving.save(`${SHELF} many`, async () => {
          if (signal?.aborted === true) return;
          await store.writeAll(new Map(some.map((each) => [SHELF + each.id, each])));
          stretch.isWritten = true;
        });
        if (!stretch.isWritten) break;
        show(some);
        put.push(...some);
        onProgress?.(put.length);
      }
      signal?.removeEventListener("abort", saving.retry);
      tell?.(SHELF);
      return { put, before: put.flatMap(({ id }) => byId.get(id) ?? []) };
    },
    undoPut: async ({ put, before }) => {
      const now = new Map($saved.get().map((each) => [each.id, each]));
      // What was changed since stays.
      const isAsPut = (each: Saved) => {
        const current = now.get(each.id);
        return current !== undefined && revisionOf(current) === revisionOf(each);
      };
      const ids = new Set(put.filter(isAsPut).map(({ id }) => id));
      const back = before.filter(({ id }) => ids.has(id));
      for (const { id } of back) ids.delete(id);
      await saving.save(`${SHELF} many`, async () => {
        await store.writeAll(new Map(back.map((each) => [SHELF + each.id, each])));
        await Promise.all([...ids].map((id) => store.remove(SHELF + id)));
      });
      show(back, ids);
      tell?.(SHELF);
    },
  };
}

/**
 * How many things storage has: what it has not taken yet is not counted, and what is deleted counts until storage has said so.
 *
 * @param unsaved ids of those whose last change storage has not taken
 */
export const countStored = (saved: readonly Saved[], unsaved: ReadonlySet<string>): number =>
  saved.filter(({ id, deletedAt }) => (deletedAt === undefined) !== unsaved.has(id)).length;

/** A thing as it was before it was deleted. */
function undeleted(thing: Saved): Saved {
  const living = { ...thing };
  delete living.deletedAt;
  return living;
}

/** Lets the page draw before what comes next. */
const turn = () => new Promise<void>((resolve) => setTimeout(resolve));
