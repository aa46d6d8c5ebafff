import { atom } from "nanostores";
import { atOnce } from "../records/at-once";
import { openDocument, type OpenDocument } from "./document";
import { type Journal } from "./document-kind";
import { type DocumentKind } from "./document-kind";
import {
  aside,
  copyTitle,
  documentValues,
  hearTabs,
  newId,
  records,
  saving,
  tellCopy,
  tellTabs,
} from "../records/records";

/** Milliseconds without a change after which a document is written. */
const PAUSE = 400;

/** What this tab had open, so that a reload opens it again; a tab that is opened anew takes what was changed last. */
const lastOpen = {
  get: (kind: string) => {
    try {
      return sessionStorage.getItem(`shade-open:${kind}`);
    } catch {
      return null;
    }
  },
  set: (kind: string, id: string) => {
    try {
      sessionStorage.setItem(`shade-open:${kind}`, id);
    } catch {
      // A reload opens what was changed last.
    }
  },
};

/** Every kind of document that this page has, in the order in which they came. */
export const $documents = atom<readonly ShownDocument<object>[]>([]);

/** What a page that is left writes down at once, apart from the records, since those take their time. */
const journal: Journal = {
  read: (kind) => atOnce.under(leavingKey(kind, "")),
  write: (kind, id, entry) => atOnce.write(leavingKey(kind, id), entry),
  remove: (kind, id) => atOnce.remove(leavingKey(kind, id)),
};

const leavingKey = (kind: string, id: string) => `shade-leaving:${kind}:${id}`;

let isLoaded = false;

/** A document with the parts of views that show it, "derive/ask": links to them carry it. */
export interface ShownDocument<T> extends OpenDocument<T> {
  readonly shownIn: readonly string[];
}

/** Opens a kind of document for this tab. It is read with all others at the start, or at once where it comes later. */
export function documentOf<T extends object>(
  kind: DocumentKind<T>,
  ...shownIn: readonly string[]
): ShownDocument<T> {
  const document = openDocument(kind, {
    store: records,
    values: documentValues,
    saving,
    aside,
    now: () => new Date(),
    newId,
    pause: PAUSE,
    copyTitle,
    tell: tellTabs,
    onTwice: tellCopy,
    journal,
    lastOpen,
  });
  const opened = { ...document, shownIn };
  $documents.set([...$documents.get(), opened as unknown as ShownDocument<object>]);
  hearTabs(opened.hear);
  if (isLoaded) void opened.load().catch(() => undefined);
  return opened;
}

/** Reads what was worked on. */
export async function loadDocuments(): Promise<void> {
  isLoaded = true;
  await Promise.all($documents.get().map((each) => each.load()));
}

/** Writes at once whatever waits for a pause: the page is about to be hidden. */
export function flushDocuments(): void {
  for (const each of $documents.get()) each.flush();
}
