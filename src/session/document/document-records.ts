import { atom, type ReadableAtom } from "nanostores";
import {
  DOCUMENT,
  type DocumentInFile,
  documentRecord,
  readDocument,
  RECENT,
  type RecentDocument,
  RECENTS,
  type StoredDocument,
  understand,
  type Understood,
} from "@/storage";
import type { DocumentSurroundings } from "./document-kind";
import type { DocumentKind } from "./document-kind";
import type { History } from "./history";

/** The documents of one kind as storage has them: a list under Recent, and a record each with its value and what it was before. */
export interface DocumentRecords<T> {
  /** Those that there are, last changed first. */
  readonly $all: ReadableAtom<readonly RecentDocument[]>;
  readonly keyOf: (id: string) => string;
  /** One as it lies; undefined where there is none. One that can't be read is set aside. */
  readonly read: (id: string) => Promise<StoredDocument<T> | undefined>;
  /** The revision in storage that the value in this tab came from; none where it was never written. */
  readonly revisionOf: (id: string) => string | undefined;
  readonly setRevision: (id: string, revision: string) => void;
  /** Writes one; where another tab has changed it meanwhile, beside it under a name of its own. Answers under which. */
  readonly write: (id: string, history: History<T>) => Promise<string>;
  /** Forgets those that were changed longest ago. */
  readonly forgetOld: () => Promise<void>;
  readonly loadRecent: () => Promise<void>;
  /** Another tab has written a record: what is under Recent of it now. */
  readonly hear: (key: string) => Promise<RecentDocument | undefined>;
  /** One as a file has it. */
  readonly inFile: (id: string, value: T) => DocumentInFile;
  readonly understands: (record: unknown) => Understood<unknown>;
}

/** Documents of a kind that are kept under Recent; those changed longest ago go. */
const MAX_RECENT = 200;

/** Opens the records of a kind. */
export function documentRecords<T extends object>(
  { kind, stored, titleOf }: DocumentKind<T>,
  { store, values, aside, now, newId, copyTitle, tell, onTwice }: DocumentSurroundings,
): DocumentRecords<T> {
  const $all = atom<readonly RecentDocument[]>([]);
  /** Names given to the second of two. */
  const titles = new Map<string, string>();
  const revisions = new Map<string, string>();
  const keyOf = (id: string) => `${DOCUMENT}${kind}:${id}`;
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
  const forget = async (id: string) => {
    $all.set($all.get().filter((each) => each.id !== id));
    await store.remove(recentKey(id));
    await values.remove(keyOf(id));
  };
  const writeAs = async (id: string, { now: value, past }: History<T>) => {
    const revision = newId();
    const record: StoredDocument<T> = { revision, value, past };
    await values.write(keyOf(id), documentRecord(kind, stored.version, record));
    revisions.set(id, revision);
    const recent = recentOf(id, value, revision);
    await store.write(recentKey(id), recent);
    list(recent);
    tell(recentKey(id));
    return id;
  };

  return {
    $all,
    keyOf,
    read: async (id) => {
      const record = await values.read(keyOf(id));
      if (record === null) return undefined;
      const found = readDocument(stored, record);
      if ("value" in found) return found.value;
      await aside.put(keyOf(id), record, found.why);
      await forget(id);
      return undefined;
    },
    revisionOf: (id) => revisions.get(id),
    setRevision: (id, revision) => void revisions.set(id, revision),
    write: async (id, history) => {
      const stands = readDocument(stored, await values.read(keyOf(id)));
      const isChangedElsewhere = "value" in stands && stands.value.revision !== revisions.get(id);
      if (!isChangedElsewhere || JSON.stringify(stands.value.value) === JSON.stringify(history.now))
        return writeAs(id, history);
      const copy = newId();
      const title = copyTitle(titleOf(history.now));
      titles.set(copy, title);
      await writeAs(copy, history);
      const theirs = understand(RECENTS, await store.read(recentKey(id)));
      if ("value" in theirs) list(theirs.value);
      onTwice(title);
      return copy;
    },
    forgetOld: async () => {
      for (const { id } of $all.get().slice(MAX_RECENT)) await forget(id);
    },
    loadRecent: async () => {
      for (const [key, record] of await store.readAll(`${RECENT}${kind}:`)) {
        const recent = understand(RECENTS, record);
        if ("value" in recent) list(recent.value);
        else {
          await aside.put(key, record, recent.why);
          await store.remove(key);
        }
      }
    },
    hear: async (key) => {
      if (!key.startsWith(`${RECENT}${kind}:`)) return undefined;
      const record = await store.read(key);
      if (record === null) $all.set($all.get().filter(({ id }) => recentKey(id) !== key));
      const recent = understand(RECENTS, record);
      if (!("value" in recent)) return undefined;
      list(recent.value);
      return recent.value;
    },
    inFile: (id, value) => {
      const revision = newId();
      const document = documentRecord(kind, stored.version, { revision, value, past: [] });
      return { recent: recentOf(id, value, revision), document };
    },
    understands: (record) => readDocument(stored, record),
  };
}
