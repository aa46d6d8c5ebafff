import * as z from "zod/mini";
import type { AsideRecord } from "./aside";
import { type DocumentInFile, RECENTS } from "./documents";
import { SAVED, type Saved } from "./saved";
import { SITTINGS, type Sitting } from "./sitting";
import { type Settings, settingsIn } from "./settings";
import { isFields, understand } from "./versioned";

/** The version of the files written now. */
const BACKUP_VERSION = 3;

/** A record that a file carries as it was found. */
export type AsideInFile = Pick<AsideRecord, "from" | "why" | "record">;

/** The one file that everything goes into. */
export interface Backup {
  readonly shelf: readonly Saved[];
  /** The settings that the file brings and that can be read; none where it brings none. */
  readonly settings: Partial<Settings>;
  /** Records that couldn't be read, here or where the file was made. */
  readonly aside: readonly AsideInFile[];
  /** What was worked on: charts and tunes under Recent, and what else is open. */
  readonly documents: readonly DocumentInFile[];
  /** What was trained and practised. */
  readonly sittings: readonly Sitting[];
}

/** Why a backup, or a record in it, was not taken. */
export interface BackupProblem {
  readonly code: "not-json" | "not-a-backup" | "newer-version" | "record-unread";
  /** Place in the list of records, from 1, where it is a record. */
  readonly record?: number;
  readonly found: string;
}

const envelope = z.object({
  format: z.literal("shade-backup"),
  version: z.number(),
  shelf: z.array(z.unknown()).check(z.maxLength(200_000)),
  settings: z.unknown(),
  aside: z.catch(z.array(z.unknown()), []),
  documents: z.catch(z.array(z.unknown()).check(z.maxLength(20_000)), []),
  /** From version 3 on. */
  sittings: z.catch(z.array(z.unknown()).check(z.maxLength(200_000)), []),
  /** What version 1 called them. */
  quarantine: z.catch(z.array(z.unknown()), []),
});

/** Writes the backup as text: one record an entry, in order of id, its fields in the schema's order, so that equal contents give equal files. */
export function writeBackup({ shelf, settings, aside, documents, sittings }: Backup): string {
  const ordered = shelf.map((thing) => SAVED.schema.parse(thing)).toSorted((a, b) => (a.id < b.id ? -1 : 1));
  const kept = aside.map(({ from, why, record }) => ({ from, why, record }));
  const backup = {
    format: "shade-backup",
    version: BACKUP_VERSION,
    shelf: ordered,
    settings,
    aside: kept,
    documents: documents.toSorted((a, b) => (a.recent.id < b.recent.id ? -1 : 1)),
    sittings: sittings.map((each) => SITTINGS.schema.parse(each)).toSorted((a, b) => (a.id < b.id ? -1 : 1)),
  };
  return `${JSON.stringify(backup, null, 1)}\n`;
}

/**
 * Reads a backup of any version. Never throws: records that can't be read are named and come back in `aside`, the rest come through;
 * text that is no backup at all gives nothing and says why.
 */
export function readBackup(text: string): {
  readonly value: Backup | undefined;
  readonly problems: readonly BackupProblem[];
} {
  const refused = (code: BackupProblem["code"], found: string) => ({
    value: undefined,
    problems: [{ code, found }],
  });
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return refused("not-json", text.slice(0, 40));
  }
  const outer = envelope.safeParse(json);
  if (!outer.success) return refused("not-a-backup", text.slice(0, 40));
  const { version, shelf, settings, aside, quarantine, documents, sittings } = outer.data;
  if (version > BACKUP_VERSION) return refused("newer-version", String(version));
  const problems: BackupProblem[] = [];
  const unread: AsideInFile[] = [
    ...aside.map(asideIn),
    ...quarantine.map((record): AsideInFile => ({ from: IMPORTED, why: "broken", record })),
  ];
  const things = shelf.flatMap((record, at) => {
    const read = understand(SAVED, record);
    if ("value" in read) return [read.value];
    problems.push({ code: "record-unread", record: at + 1, found: JSON.stringify(record).slice(0, 80) });
    unread.push({ from: IMPORTED, why: read.why, record });
    return [];
  });
  const worked = documents.flatMap((entry): readonly DocumentInFile[] => {
    const recent = isFields(entry) ? understand(RECENTS, entry.recent) : { why: "broken" as const };
    if ("value" in recent && isFields(entry)) return [{ recent: recent.value, document: entry.document }];
    problems.push({ code: "record-unread", found: JSON.stringify(entry).slice(0, 80) });
    unread.push({ from: IMPORTED, why: "why" in recent ? recent.why : "broken", record: entry });
    return [];
  });
  const sat = sittings.flatMap((record) => {
    const read = understand(SITTINGS, record);
    if ("value" in read) return [read.value];
    problems.push({ code: "record-unread", found: JSON.stringify(record).slice(0, 80) });
    unread.push({ from: IMPORTED, why: read.why, record });
    return [];
  });
  const value = {
    shelf: things,
    settings: settingsIn(settings),
    aside: unread,
    documents: worked,
    sittings: sat,
  };
  return { value, problems };
}

/** Where a record lay that came in a file and could not be read. */
const IMPORTED = "import";

const asideIn = (entry: unknown): AsideInFile => ({
  from: isFields(entry) && typeof entry.from === "string" ? entry.from : IMPORTED,
  why: isFields(entry) && entry.why === "newer" ? "newer" : "broken",
  record: isFields(entry) && "record" in entry ? entry.record : entry,
});
