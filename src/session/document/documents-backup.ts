import {
  DOCUMENT,
  type DocumentInFile,
  isFields,
  RECENT,
  type RecentDocument,
  RECENTS,
  understand,
  type Understood,
} from "@/storage";
import { $documents } from "./documents";
import { aside, documentValues, records, tellTabs } from "../records/records";

/** Milliseconds after which storage counts as silent: what is open in this tab goes into the file in any case. */
const PATIENCE = 4000;

const recentKey = ({ kind, id }: RecentDocument) => `${RECENT}${kind}:${id}`;
const valueKey = ({ kind, id }: RecentDocument) => `${DOCUMENT}${kind}:${id}`;

/** Every document that is here, by its key: those that storage has. */
async function recents(): Promise<ReadonlyMap<string, RecentDocument>> {
  const found = new Map<string, RecentDocument>();
  for (const [key, record] of await records.readAll(RECENT)) {
    const recent = understand(RECENTS, record);
    if ("value" in recent) found.set(key, recent.value);
  }
  return found;
}

/** All that was worked on, as a file has it: from storage, and what is open here and not written yet. */
export async function documentsForFile(): Promise<readonly DocumentInFile[]> {
  const all = new Map<string, DocumentInFile>();
  const silent = new Promise<undefined>((resolve) => setTimeout(resolve, PATIENCE));
  const present = await Promise.race([recents().catch(() => undefined), silent]);
  for (const [key, recent] of present ?? []) {
    const document = await documentValues.read(valueKey(recent));
    if (isFields(document)) all.set(key, { recent, document: { ...document, past: [] } });
  }
  for (const open of $documents.get().flatMap((each) => each.unsaved()))
    all.set(recentKey(open.recent), open);
  return [...all.values()];
}

/**
 * The documents of a file that would come in, each under the name that it gets: one of its own where another state of it is here. One that is here in the same state, or came in before, does not. Of a kind that is shown one
 * at a time, the one here stays.
 */
export async function arrivingDocuments(
  documents: readonly DocumentInFile[],
  copyTitle: (title: string) => string,
): Promise<readonly DocumentInFile[]> {
  const present = new Map((await documentsForFile()).map((each) => [recentKey(each.recent), each]));
  const kindsHere = new Set([...present.values()].map((each) => each.recent.kind));
  const found: DocumentInFile[] = [];
  for (const { recent, document } of documents) {
    const isListed = $documents.get().find(({ kind }) => kind === recent.kind)?.isListed ?? true;
    const mine = present.get(recentKey(recent));
    if (mine ? says(mine.document) === says(document) : !isListed && kindsHere.has(recent.kind)) continue;
    const id = mine ? `${recent.id.slice(0, 30)}-${recent.revision}`.slice(0, 64) : recent.id;
    const named = mine ? { ...recent, id, title: copyTitle(recent.title) } : recent;
    if (!present.has(recentKey(named))) found.push({ recent: named, document });
  }
  return found;
}

/** What is in a stored document, without its history. */
const says = (record: unknown) => JSON.stringify(isFields(record) ? record.value : undefined);

/** Takes a document in; what can't be read is set aside. Whether it came in. */
export async function takeDocument({ recent, document }: DocumentInFile): Promise<boolean> {
  const kind = $documents.get().find((each) => each.kind === recent.kind);
  const read: Understood<unknown> = kind?.understands(document) ?? { why: "newer" };
  if (!("value" in read)) {
    await aside.put("import", { recent, document }, read.why);
    return false;
  }
  await documentValues.write(valueKey(recent), document);
  await records.write(recentKey(recent), recent);
  await listed(recent);
  // Of a kind that is shown one at a time nothing is here yet.
  if (kind && !kind.isListed) await kind.bringBack(recent.id);
  return true;
}

/** Takes one out again that was taken in, unless it was opened or changed since. */
export async function takeOutDocument(recent: RecentDocument): Promise<void> {
  const stored = understand(RECENTS, await records.read(recentKey(recent)));
  const isOpen = $documents.get().some(({ kind, $id }) => kind === recent.kind && $id.get() === recent.id);
  if (isOpen || !("value" in stored) || stored.value.revision !== recent.revision) return;
  await records.remove(recentKey(recent));
  await documentValues.remove(valueKey(recent));
  await listed(recent);
}

/** Every tab lists what there is now. */
async function listed(recent: RecentDocument): Promise<void> {
  tellTabs(recentKey(recent));
  for (const each of $documents.get()) await each.hear(recentKey(recent));
}
