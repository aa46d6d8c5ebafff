import * as z from "zod/mini";
import { atom, computed, type ReadableAtom } from "nanostores";
import {
  type DocumentInFile,
  type Fields,
  type RecentDocument,
  type StoredDocument,
  type Understood,
} from "@/storage";
import { documentRecords } from "./document-records";
import { dispatch, type DocumentEvent, fresh, unwritten } from "./document-state";
import type { History } from "./history";
import type { DocumentKind, DocumentSurroundings, Journal } from "./document-kind";

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
  /** Opens what the one record of version 1 had of it. */
  readonly openDraft: (draft: Fields) => void;
  /** A value out of a file, a link or an older record; undefined where it is none. */
  readonly read: (value: unknown) => T | undefined;
  readonly load: () => Promise<void>;
  /** Another tab has written a record. */
  readonly hear: (key: string) => Promise<void>;
}

const journalEntry = z.object({ base: z.optional(z.string()), value: z.unknown() });

/**
 * Opens what a tab works on of one kind: what happens is told to the state machine, and what comes of it is written, shown to other tabs
 * and noted in the journal.
 */
export function openDocument<T extends object>(
  kind: DocumentKind<T>,
  surroundings: DocumentSurroundings,
): OpenDocument<T> {
  const { blank, isBlank, isListed = false, stored, fromDraft } = kind;
  const { saving, now, newId, pause, journal, lastOpen } = surroundings;
  const records = documentRecords(kind, surroundings);
  const $state = atom(fresh(newId(), blank));
  let timer: ReturnType<typeof setTimeout> | undefined;

  const happen = (event: DocumentEvent<T>) => {
    const before = $state.get();
    const { state, effects } = dispatch(before, event, isBlank);
    if (state.id !== before.id) lastOpen.set(kind.kind, state.id);
    if (state !== before) $state.set(state);
    for (const effect of effects) {
      if (effect.type === "save-left") saveLeft(effect.id, effect.history);
      else if (effect.when === "now") save();
      else {
        clearTimeout(timer);
        timer = setTimeout(save, pause);
      }
    }
  };

  /** Writes a history of a document as storage has room for it, and answers when storage has said so. */
  const write = async (id: string, history: History<T>) => {
    happen({ type: "written", id, history, as: await records.write(id, history) });
  };
  const save = () => {
    clearTimeout(timer);
    timer = undefined;
    const { id, phase } = $state.get();
    if (phase !== "unsaved") return;
    void saving.save(records.keyOf(id), async () => {
      const open = $state.get();
      await write(open.id, open.history);
      if ($state.get().phase === "saved") journal.remove(kind.kind, open.id);
      await records.forgetOld();
    });
  };
  const saveLeft = (id: string, history: History<T>) => {
    clearTimeout(timer);
    void saving.save(records.keyOf(id), async () => {
      await write(id, history);
      journal.remove(kind.kind, id);
    });
  };

  /** Goes on with what a page had when it was left. */
  const takeUp = ({ id, entry }: ReturnType<Journal["read"]>[number]) => {
    journal.remove(kind.kind, id);
    const left = journalEntry.safeParse(entry);
    const value = left.success ? stored.schema.safeParse(left.data.value) : undefined;
    if (!left.success || !value?.success) return;
    if (left.data.base !== undefined && id !== $state.get().id) records.setRevision(id, left.data.base);
    happen({ type: "resume", id, value: value.data });
  };

  /** Shows a document as it lies in storage. */
  const show = (id: string, found: StoredDocument<T>) => {
    records.setRevision(id, found.revision);
    happen({ type: "show", id, stored: found });
  };

  const open = (value: T) => happen({ type: "open", id: newId(), value });
  const $id = computed($state, ({ id }) => id);
  return {
    kind: kind.kind,
    isListed,
    $id,
    $value: computed($state, ({ history }) => history.now),
    $steps: computed($state, ({ history: { past, future } }) => ({
      undo: past.length,
      redo: future.length,
    })),
    $recent: computed([records.$all, $id], (all, id) => all.filter((each) => each.id !== id)),
    change: (part, step) => happen({ type: "change", part, step, at: now().getTime() }),
    undo: () => happen({ type: "undo" }),
    redo: () => happen({ type: "redo" }),
    open,
    openDraft: (draft) => {
      const value = fromDraft?.(draft);
      if (value) open(value);
    },
    bringBack: async (id) => {
      // Storage may not have the last of it yet.
      if ($state.get().leaving.has(id)) {
        happen({ type: "return", id });
        return true;
      }
      const found = await records.read(id);
      if (found) show(id, found);
      return found !== undefined;
    },
    flush: () => {
      for (const [id, { now: value }] of unwritten($state.get(), isBlank))
        journal.write(kind.kind, id, { base: records.revisionOf(id), value });
      save();
    },
    unsaved: () =>
      [...unwritten($state.get(), isBlank)].map(([id, { now: value }]) => records.inFile(id, value)),
    understands: records.understands,
    read: (value) => stored.schema.safeParse(value).data,
    load: async () => {
      await records.loadRecent();
      const wanted = lastOpen.get(kind.kind);
      const [latest] = records.$all.get();
      const id = records.$all.get().find((each) => each.id === wanted)?.id ?? latest?.id;
      const found = id === undefined ? undefined : await records.read(id);
      // What was changed while it was being read is a document of its own.
      if (id !== undefined && found && $state.get().phase === "fresh") show(id, found);
      // What this tab had open comes last: it is what stays open.
      const all = journal.read(kind.kind);
      for (const left of all.filter((each) => each.id !== wanted)) takeUp(left);
      for (const left of all.filter((each) => each.id === wanted)) takeUp(left);
    },
    hear: async (key) => {
      const recent = await records.hear(key);
      const isOpen = () => recent?.id === $state.get().id && $state.get().phase !== "unsaved";
      if (!recent || !isOpen() || recent.revision === records.revisionOf(recent.id)) return;
      const found = await records.read(recent.id);
      if (!found || !isOpen()) return;
      records.setRevision(recent.id, found.revision);
      happen({ type: "follow", id: recent.id, value: found.value });
    },
  };
}
