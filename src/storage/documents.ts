import * as z from "zod/mini";
import { understand, type Understood, type Versioned } from "./versioned";

/** Where the values of documents lie, each under its id; `recent:` in the first store tells which there are. */
export const DOCUMENT = "document:";
export const RECENT = "recent:";

/** The version of the records around documents; each kind of document has a version of its own besides. */
const DOCUMENT_VERSION = 1;

const recent = z.object({
  version: z.literal(DOCUMENT_VERSION),
  id: z.string().check(z.minLength(1), z.maxLength(64)),
  kind: z.string().check(z.minLength(1), z.maxLength(64)),
  title: z.string().check(z.maxLength(240)),
  changedAt: z.iso.datetime(),
  /** The name of its present state. */
  revision: z.string().check(z.maxLength(64)),
});

/** That there is a document, without what is in it. */
export type RecentDocument = z.infer<typeof recent>;

export const RECENTS: Versioned<RecentDocument> = {
  version: DOCUMENT_VERSION,
  schema: recent,
  migrations: [],
};

const stored = z.object({
  version: z.literal(DOCUMENT_VERSION),
  kind: z.string().check(z.minLength(1), z.maxLength(64)),
  revision: z.string().check(z.maxLength(64)),
  /** The value with the version of its kind in it. */
  value: z.unknown(),
  /** Values before it that undo goes back to, the last first to be undone. */
  past: z.catch(z.array(z.unknown()), []),
});

export interface StoredDocument<T> {
  readonly revision: string;
  readonly value: T;
  readonly past: readonly T[];
}

const STORED: Versioned<z.infer<typeof stored>> = {
  version: DOCUMENT_VERSION,
  schema: stored,
  migrations: [],
};

/** A document as a file has it: that it is there, and what is in it, without the steps of undo. */
export interface DocumentInFile {
  readonly recent: RecentDocument;
  readonly document: unknown;
}

/** Reads a stored document of a kind; steps of undo that can't be read are left out. */
export function readDocument<T>(versioned: Versioned<T>, record: unknown): Understood<StoredDocument<T>> {
  const understood = understand(STORED, record);
  if (!("value" in understood)) return understood;
  const { revision, value, past } = understood.value;
  const read = understand(versioned, value);
  if (!("value" in read)) return read;
  const steps = past.flatMap((step) => {
    const before = understand(versioned, step);
    return "value" in before ? [before.value] : [];
  });
  return { value: { revision, value: read.value, past: steps } };
}

/** Characters of undo that are written with a document; more of it lasts until the tab is closed. */
const MAX_PAST = 200_000;

/** Writes a document down, with as many steps of undo as is sensible. */
export function documentRecord<T extends object>(
  kind: string,
  version: number,
  { revision, value, past }: StoredDocument<T>,
): z.infer<typeof stored> {
  const steps: unknown[] = [];
  let length = 0;
  for (const step of past.toReversed()) {
    length += JSON.stringify(step).length;
    if (length > MAX_PAST) break;
    steps.unshift({ ...step, version });
  }
  return { version: DOCUMENT_VERSION, kind, revision, value: { ...value, version }, past: steps };
}
