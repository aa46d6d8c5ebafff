import type { Versioned, Fields, Saving, RecordStore, Aside } from "@/storage";

/** A kind of document: what is in one, how a new one begins. */
export interface DocumentKind<T extends object> {
  readonly kind: string;
  readonly stored: Versioned<T>;
  readonly blank: T;
  readonly isBlank: (value: T) => boolean;
  readonly titleOf: (value: T) => string;
  /** Its documents are listed under Recent. */
  readonly isListed?: boolean;
  /** What the one record of version 1 had of it; undefined where it had nothing. */
  readonly fromDraft?: (draft: Fields) => T | undefined;
}

/** Where a page that is being left writes at once what storage hasn't taken yet: storage may not answer any more. */
export interface Journal {
  readonly read: (kind: string) => readonly { readonly id: string; readonly entry: unknown }[];
  readonly write: (kind: string, id: string, entry: unknown) => void;
  readonly remove: (kind: string, id: string) => void;
}

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
