import { z } from "zod";
import { atom, computed, type ReadableAtom } from "nanostores";
import {
  DOCUMENT,
  type DocumentInFile,
  documentRecord,
  readDocument,
  RECENT,
  type RecentDocument,
  RECENTS,
  type Saving,
  type Aside,
  type RecordStore,
  type StoredDocument,
  understand,
  type Understood,
  type Versioned,
} from "@/storage";
import { begun, changed, type History, redone, undone } from "./history";

/** A kind of document: what is in one, how a new one begins. */
export interface DocumentKind<T extends object> {
  readonly kind: string;
  readonly stored: Versioned<T>;
  readonly blank: T;
  readonly isBlank: (value: T) => boolean;
  readonly titleOf: (value: T) => string;
  /** Its documents are listed under Recent. */
  readonly isListed?: boolean;
}

/** What can be undone and redone. */
export interface ToUndo {
  /** How many steps can be undone and redone. */
  readonly $steps: ReadableAtom<{ readonly undo: number; readonly redo: number }>;
  readonly undo: () => void;
  readonly redo: () => void;
}

/** What a tab has open of one kind of document. */
export interface OpenDocument<T> extends ToUndo {
  readonly kind: string;
  readonly isListed: boolean;
  readonly $value: ReadableAtom<T>;
  /** Its name in storage; another one where another document is opened. */
  readonly $id: ReadableAtom<string>;
  /** Changes it. Changes of one step that follow closely are undone together. */
  readonly change: (part: Partial<T>, step?: string) => void;
  /** Opens a new document with a value; the one before stays under Recent, unless nothing is in it. */
  readonly open: (value: T) => void;
  /** Documents of the kind, those last changed first, without the one that is open. */
  readonly $recent: ReadableAtom<readonly RecentDocument[]>;
  /** Opens one of them again; false where it can't be read. */
  readonly bringBack: (id: string) => Promise<boolean>;
  /** Writes at once what is still waiting for a pause. */
  readonly flush: () => void;
  /** What storage doesn't have yet, as a file has it. */
  readonly unsaved: () => readonly DocumentInFile[];
  /** Whether a stored record is a document of this kind. */
  readonly understands: (record: unknown) => Understood<unknown>;
  /** A value out of a file, a link or an older record; undefined where it is none. */
  readonly read: (value: unknown) => T | undefined;
  readonly load: () => Promise<void>;
  /** Another tab has written a record. */
  readonly hear: (key: string) => Promise<void>;
}

/** Where a page that is being left writes at once what storage hasn't taken yet: storage may not answer any more. */
export interface Journal {
  readonly read: (kind: string) => readonly { readonly id: string; readonly entry: unknown }[];
  readonly write: (kind: string, id: string, entry: unknown) => void;
  readonly remove: (kind: string, id: string) => void;
}

const journalEntry = z.object({ base: z.string().optional(), value: z.unknown() });

/** What documents need from outside. */
export interface DocumentSurroundings {
  /** Where it is written which documents there are. */
  readonly store: RecordStore;
  /** Where their values lie. */
  readonly values: RecordStore;
  readonly saving: Saving;
  readonly aside: Aside;
  readonly now: () => Date;
  readonly newId: () => string;
  /** Milliseconds without a change after which it is written. */
  readonly pause: number;
  readonly copyTitle: (title: string) => string;
  readonly tell: (key: string) => void;
  /** Two tabs changed one document: both are kept. */
  readonly onTwice: (title: string) => void;
  readonly journal: Journal;
  /** What this tab had open before a reload, by kind. */
  readonly lastOpen: { get: (kind: string) => string | null; set: (kind: string, id: string) => void };
}

/** Documents of a kind that are kept under Recent; those changed longest ago go. */
const MOST_RECENT = 200;

/** Milliseconds within which changes of one step are undone together. */
const SAME_STEP = 1200;

/** Opens what a tab works on of one kind. */
export function openDocument<T extends object>(
  { kind, stored, blank, isBlank, titleOf, isListed = false }: DocumentKind<T>,
  surroundings: DocumentSurroundings,
): OpenDocument<T> {
  const { store, values, saving, aside, now, newId, pause, copyTitle, tell, onTwice, journal, lastOpen } =
    surroundings;
  const $history = atom<History<T>>(begun(blank));
  const $id = atom(newId());
  const $all = atom<readonly RecentDocument[]>([]);
  /** The states in storage that the values here came from, by document; none where it was never written. */
  const bases = new Map<string, string>();
  let isDirty = false;
  /** What was left for another document before storage had it. */
  const leaving = new Map<string, History<T>>();
  /** Nothing has been opened or changed yet. */
  let isFresh = true;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let lastStep: { readonly step: string; readonly at: number } | undefined;
  /** Names given to the second of two. */
  const titles = new Map<string, string>();

  const isTouched = () => isDirty;
  const isUntouched = () => isFresh;
  const valueKey = (id: string) => `${DOCUMENT}${kind}:${id}`;
  const recentKey = (id: string) => `${RECENT}${kind}:${id}`;
  const list = (recent: RecentDocument) =>
    $all.set(
      [...$all.get().filter(({ id }) => id !== recent.id), recent].toSorted((a, b) =>
        a.changedAt < b.changedAt ? 1 : -1,
      ),
    );

  const recentOf = (id: string, value: T, revision: string): RecentDocument => ({
    version: 1,
    id,
    kind,
    title: (titles.get(id) ?? titleOf(value)).slice(0, 240),
    changedAt: now().toISOString(),
    revision,
  });
  const writeAs = async (id: string, history: History<T>) => {
    const revision = newId();
    const record: StoredDocument<T> = { revision, value: history.now, past: history.past };
    await values.write(valueKey(id), documentRecord(kind, stored.version, record));
    bases.set(id, revision);
    const recent = recentOf(id, history.now, revision);
    await store.write(recentKey(id), recent);
    list(recent);
    tell(recentKey(id));
  };
  /** Writes a document; where another tab has changed it meanwhile, under a name of its own, which is answered. */
  const writeBeside = async (id: string, history: History<T>): Promise<string> => {
    const lies = readDocument(stored, await values.read(valueKey(id)));
    const isChangedElsewhere = "value" in lies && lies.value.revision !== bases.get(id);
    if (!isChangedElsewhere || JSON.stringify(lies.value.value) === JSON.stringify(history.now)) {
      await writeAs(id, history);
      return id;
    }
    const copy = newId();
    const title = copyTitle(titleOf(history.now));
    titles.set(copy, title);
    await writeAs(copy, history);
    const theirs = understand(RECENTS, await store.read(recentKey(id)));
    if ("value" in theirs) list(theirs.value);
    onTwice(title);
    return copy;
  };
  const write = async () => {
    const history = $history.get();
    const id = $id.get();
    const written = await writeBeside(id, history);
    // This tab goes on with its own.
    if (written !== id && $id.get() === id) use(written);
    if ($history.get() === history) {
      isDirty = false;
      journal.remove(kind, id);
    }
    await forgetOld();
  };
  const save = () => {
    clearTimeout(timer);
    timer = undefined;
    if (isDirty) void saving.save(valueKey($id.get()), write);
  };
  /** What storage doesn't have yet, by the name of its document. */
  const unwritten = (): ReadonlyMap<string, History<T>> => {
    const open = $history.get();
    return isDirty && !isBlank(open.now) ? new Map([...leaving, [$id.get(), open]]) : leaving;
  };
  const use = (id: string) => {
    $id.set(id);
    lastOpen.set(kind, id);
  };
  const forgetOld = async () => {
    for (const { id } of $all.get().slice(MOST_RECENT)) await forget(id);
  };
  const forget = async (id: string) => {
    $all.set($all.get().filter((each) => each.id !== id));
    await store.remove(recentKey(id));
    await values.remove(valueKey(id));
  };
  const touch = (history: History<T>, isAtOnce = true) => {
    if (history === $history.get()) return;
    $history.set(history);
    isFresh = false;
    isDirty = true;
    clearTimeout(timer);
    if (isAtOnce) save();
    else timer = setTimeout(save, pause);
  };
  const show = (id: string, { revision, value, past }: StoredDocument<T>) => {
    lastStep = undefined;
    isDirty = false;
    isFresh = false;
    bases.set(id, revision);
    use(id);
    $history.set(begun(value, past));
  };
  /** What is open stays under Recent, whatever is opened next. */
  const leave = () => {
    if (!isDirty) return;
    clearTimeout(timer);
    const [id, history] = [$id.get(), $history.get()];
    isDirty = false;
    if (isBlank(history.now)) return;
    leaving.set(id, history);
    void saving.save(valueKey(id), async () => {
      await writeBeside(id, history);
      if (leaving.get(id) === history) leaving.delete(id);
      journal.remove(kind, id);
    });
  };
  const readStored = async (id: string) => {
    const record = await values.read(valueKey(id));
    if (record === null) return undefined;
    const lies = readDocument(stored, record);
    if ("value" in lies) return lies.value;
    await aside.put(valueKey(id), record, lies.why);
    await forget(id);
    return undefined;
  };

  /** Goes on with what a page had when it was left. */
  const takeUp = ({ id, entry }: ReturnType<Journal["read"]>[number]) => {
    journal.remove(kind, id);
    const left = journalEntry.safeParse(entry);
    const value = left.success ? stored.schema.safeParse(left.data.value) : undefined;
    if (!left.success || !value?.success) return;
    const history = $history.get();
    if (JSON.stringify(value.data) === JSON.stringify(history.now)) return;
    if (id === $id.get()) {
      touch(changed(history, value.data));
      return;
    }
    leave();
    if (left.data.base !== undefined) bases.set(id, left.data.base);
    use(id);
    touch(begun(value.data));
  };

  return {
    kind,
    isListed,
    $value: computed($history, ({ now: value }) => value),
    $id,
    $steps: computed($history, ({ past, future }) => ({ undo: past.length, redo: future.length })),
    change: (part, step) => {
      const history = $history.get();
      const at = now().getTime();
      const isSame = step !== undefined && lastStep?.step === step && at - lastStep.at < SAME_STEP;
      lastStep = step === undefined ? undefined : { step, at };
      const next = changed(history, { ...history.now, ...part }, isSame && history.past.length > 0);
      touch(next, step === undefined);
    },
    undo: () => {
      lastStep = undefined;
      touch(undone($history.get()));
    },
    redo: () => {
      lastStep = undefined;
      touch(redone($history.get()));
    },
    open: (value) => {
      leave();
      isFresh = false;
      lastStep = undefined;
      use(newId());
      $history.set(begun(value));
      isDirty = !isBlank(value);
      save();
    },
    $recent: computed([$all, $id], (all, id) => all.filter((each) => each.id !== id)),
    bringBack: async (id) => {
      // Storage may not have the last of it yet.
      const left = leaving.get(id);
      const found = left ? undefined : await readStored(id);
      if (!left && !found) return false;
      leave();
      if (found) show(id, found);
      if (left) {
        leaving.delete(id);
        lastStep = undefined;
        use(id);
        touch(left);
      }
      return true;
    },
    flush: () => {
      for (const [id, { now: value }] of unwritten()) journal.write(kind, id, { base: bases.get(id), value });
      save();
    },
    unsaved: () =>
      [...unwritten()].map(([id, { now: value }]) => {
        const revision = newId();
        const document = documentRecord(kind, stored.version, { revision, value, past: [] });
        return { recent: recentOf(id, value, revision), document };
      }),
    understands: (record) => readDocument(stored, record),
    read: (value) => {
      const known = stored.schema.safeParse(value);
      return known.success ? known.data : undefined;
    },
    load: async () => {
      for (const [key, record] of await store.readAll(`${RECENT}${kind}:`)) {
        const recent = understand(RECENTS, record);
        if ("value" in recent) list(recent.value);
        else {
          await aside.put(key, record, recent.why);
          await store.remove(key);
        }
      }
      const wanted = lastOpen.get(kind);
      const [latest] = $all.get();
      const id = $all.get().find((each) => each.id === wanted)?.id ?? latest?.id;
      const found = id === undefined ? undefined : await readStored(id);
      // What was changed while it was being read is a document of its own.
      if (id !== undefined && found && isUntouched()) show(id, found);
      // What this tab had open comes last: it is what stays open.
      const all = journal.read(kind);
      for (const left of all.filter((each) => each.id !== wanted)) takeUp(left);
      for (const left of all.filter((each) => each.id === wanted)) takeUp(left);
    },
    hear: async (key) => {
      if (!key.startsWith(`${RECENT}${kind}:`)) return;
      const lies = await store.read(key);
      if (lies === null) $all.set($all.get().filter(({ id }) => recentKey(id) !== key));
      const recent = understand(RECENTS, lies);
      if (!("value" in recent)) return;
      list(recent.value);
      const { id, revision } = recent.value;
      if (id !== $id.get() || revision === bases.get(id) || isDirty) return;
      const found = await readStored(id);
      if (!found || isTouched() || id !== $id.get()) return;
      bases.set(id, found.revision);
      $history.set(changed($history.get(), found.value));
    },
  };
}
